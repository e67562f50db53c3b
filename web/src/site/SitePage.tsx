import Button from "@mui/material/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useMayEdit } from "../account/session";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsOf } from "../flag/flags";
import { RecordHistory } from "../history/RecordHistory";
import { call, isStale } from "../shared/api/client";
import { useChange, useList, useOne } from "../shared/api/queries";
import type { AskedRow, Client, Flag, Site, SiteDraft, Undoable } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { NotHere } from "../shared/parts/NotHere";
import { AskedHeldAllowed } from "./AskedHeldAllowed";
import { Packs } from "./Packs";
import { SiteForm, type SiteFields } from "./SiteForm";
import { SiteRoles } from "./SiteRoles";

export function SitePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewSite /> : <RecordedSite key={id} id={id} />;
}

/** The id of the client of this name, which is added when there is none. */
async function clientNamed(clients: Client[], name: string): Promise<string> {
  const wanted = name.trim().toLowerCase();
  const known = clients.find((client) => client.name.toLowerCase() === wanted);
  return (known ?? (await call<Client>("POST", "/api/clients", { name }))).id;
}

function NewSite() {
  const navigate = useNavigate();
  const clients = useList<Client>("/api/clients").data;
  const client = useQueryClient();
  const add = useChange(
    async (fields: SiteFields) => {
      const clientId = await clientNamed(clients ?? [], fields.client);
      try {
        return await call<Site>("POST", "/api/sites", {
          clientId,
          name: fields.name,
          domains: fields.domains,
          roles: [],
        });
      } catch (error) {
        // A second try finds the client that this one added.
        await client.invalidateQueries({ queryKey: ["/api/clients"] });
        throw error;
      }
    },
    (site) => `Added ${site.name}. Now choose its faces.`,
  );
  if (!clients) {
    return <NotHere error={null} all="/sites" allWords="All sites" />;
  }
  return (
    <Leaf
      title="Add a site"
      above={<Link to="/sites">Sites</Link>}
      below="A site belongs to a client and has every domain on which it is seen."
    >
      <Line>
        <SiteForm
          clients={clients}
          saveLabel="Add the site"
          onSave={async (fields) => {
            const site = await add.mutateAsync(fields).catch(() => null);
            if (site) {
              await navigate(`/sites/${site.id}`);
            }
            return site !== null;
          }}
        />
      </Line>
    </Leaf>
  );
}

const missing: Flag["kind"][] = ["FACE_NOT_HELD"];

function RecordedSite({ id }: { id: string }) {
  const path = `/api/sites/${id}`;
  const client = useQueryClient();
  const site = useOne<Site>(path);
  const rows = useOne<AskedRow[]>(`${path}/comparison`).data;
  const clients = useList<Client>("/api/clients").data;
  const flags = useFlagsOf("site", [id]);
  const save = useChange(
    (draft: SiteDraft) => call<Site>("PUT", path, draft, { version: site.data?.version }),
    () => "Saved.",
    isStale,
  );
  if (!site.data || !clients) {
    return <NotHere error={site.error} all="/sites" allWords="All sites" />;
  }
  const current = site.data;
  const keep = async (change: Partial<SiteDraft>): Promise<boolean> => {
    try {
      const { clientId, name, domains, roles } = current;
      const edited = await save.mutateAsync({ clientId, name, domains, roles, ...change });
      client.setQueryData([path], edited);
      return true;
    } catch (error) {
      if (isStale(error)) {
        await client.invalidateQueries({ queryKey: [path] });
      }
      return false;
    }
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
        {rows && <AskedHeldAllowed rows={rows} />}
      </Line>
      <Line notes={<FlagNotes flags={flags.filter((flag) => missing.includes(flag.kind))} />}>
        <SiteRoles site={current} onSave={(roles) => keep({ roles })} />
      </Line>
      <Line>
        <Packs siteId={id} />
      </Line>
      <Line>
        <h2 className="section">Name and domains</h2>
        <SiteForm
          site={current}
          clients={clients}
          saveLabel="Save"
          onSave={async (fields) =>
            keep({
              clientId: await clientNamed(clients, fields.client),
              name: fields.name,
              domains: fields.domains,
            })
          }
        />
      </Line>
      <Line>
        <RecordHistory type="site" id={id} />
        <DeleteSite site={current} />
      </Line>
    </Leaf>
  );
}

/** Deletes a site, after saying what goes with it. */
function DeleteSite({ site }: { site: Site }) {
  const navigate = useNavigate();
  const mayEdit = useMayEdit();
  const [asking, setAsking] = useState(false);
  const remove = useChange(
    async () => {
      const gone = await call<Undoable>("DELETE", `/api/sites/${site.id}`, undefined, {
        version: site.version,
      });
      await navigate("/sites");
      return gone;
    },
    (gone) => ({ text: `Deleted ${site.name}.`, undo: gone.historyId }),
  );
  return mayEdit ? (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)}>
        Delete the site
      </Button>
      {asking && (
        <Confirm
          title={`Delete ${site.name}?`}
          action="Delete"
          onClose={() => setAsking(false)}
          onConfirm={() => remove.mutate(undefined)}
        >
          Its {site.roles.length === 1 ? "text role" : `${site.roles.length} text roles`} and its packs go
          with it. Families, licenses and the client stay.
        </Confirm>
      )}
    </>
  ) : null;
}
