import { Link, useNavigate, useParams } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsWhere } from "../flag/flags";
import { call } from "../shared/api/client";
import { useChange, useList, useOne } from "../shared/api/queries";
import type { AskedRow, Client, Family, Flag, Site, SiteDraft } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { AskedHeldAllowed } from "./AskedHeldAllowed";
import { Packs } from "./Packs";
import { SiteForm } from "./SiteForm";
import { SiteRoles } from "./SiteRoles";

export function SitePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewSite /> : <RecordedSite key={id} id={id} />;
}

function NewSite() {
  const navigate = useNavigate();
  const clients = useList<Client>("/api/clients").data;
  const add = useChange(
    async (draft: SiteDraft) => {
      const site = await call<Site>("POST", "/api/sites", draft);
      await navigate(`/sites/${site.id}`);
      return site;
    },
    (site) => `Added ${site.name}. Now choose its faces.`,
  );
  if (!clients) {
    return null;
  }
  return (
    <Leaf
      title="Add a site"
      above={<Link to="/sites">Sites</Link>}
      below="A site belongs to a client and has every domain on which it is seen."
    >
      <Line>
        <SiteForm clients={clients} saveLabel="Add the site" onSave={(draft) => add.mutate(draft)} />
      </Line>
    </Leaf>
  );
}

const missing: Flag["kind"][] = ["FACE_NOT_HELD"];

function RecordedSite({ id }: { id: string }) {
  const path = `/api/sites/${id}`;
  const site = useOne<Site>(path);
  const rows = useOne<AskedRow[]>(`${path}/comparison`).data ?? [];
  const families = useList<Family>("/api/families").data;
  const clients = useList<Client>("/api/clients").data;
  const flags = useFlagsWhere((flag) => flag.siteId === id);
  const save = useChange(
    (draft: SiteDraft) => call<Site>("PUT", path, draft, site.data?.version),
    () => "Saved.",
  );
  if (site.error) {
    return (
      <Leaf title="Not here" below={site.error.message}>
        <Line>
          <Link to="/sites">All sites</Link>
        </Line>
      </Leaf>
    );
  }
  if (!site.data || !families || !clients) {
    return null;
  }
  const current = site.data;
  const draft: SiteDraft = {
    clientId: current.clientId,
    name: current.name,
    domains: current.domains,
    roles: current.roles,
  };
  return (
    <Leaf
      title={current.name}
      above={
        <>
          <Link to="/sites">Sites</Link> · {current.clientName}
        </>
      }
      below={current.domains.join(", ") || "No domain yet, so nothing can be allowed."}
    >
      <Line notes={<FlagNotes flags={flags.filter((flag) => !missing.includes(flag.kind))} />}>
        <AskedHeldAllowed rows={rows} />
      </Line>
      <Line notes={<FlagNotes flags={flags.filter((flag) => missing.includes(flag.kind))} />}>
        <SiteRoles
          key={current.version}
          site={current}
          families={families}
          onSave={(roles) => save.mutate({ ...draft, roles })}
        />
      </Line>
      <Line>
        <Packs siteId={id} />
      </Line>
      <Line>
        <h2 className="section">Name and domains</h2>
        <SiteForm
          key={current.version}
          site={current}
          clients={clients}
          saveLabel="Save"
          onSave={(edited) => save.mutate(edited)}
        />
      </Line>
    </Leaf>
  );
}
