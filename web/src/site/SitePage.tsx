import { useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, bodyOf, editing, isStale } from "../shared/api/client";
import { asking, useChange, useGet } from "../shared/api/queries";
import { useKeep } from "../shared/api/useKeep";
import type { Client, Site, SiteDraft } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagsOf } from "../shared/flag/flags";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Leaf, Line } from "../shared/layout/Leaf";
import { SiteLeaves } from "../shared/layout/SiteLeaves";
import { clientNamed, useClients } from "../shared/parts/useClients";
import { NotHere } from "../shared/states/NotHere";
import { Shown } from "../shared/states/States";
import { AskedHeldAllowed } from "./AskedHeldAllowed";
import { DeleteSite } from "./DeleteSite";
import { LastCheck } from "./LastCheck";
import { MakePack, Packs } from "./Packs";
import { PageViews } from "./PageViews";
import { SiteForm, withHosts, type SiteFields } from "./SiteForm";
import { SiteRoles } from "./SiteRoles";
import { placeOf } from "./packs";
import { words } from "./words";

export function SitePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewSite /> : <RecordedSite key={id} id={id} />;
}

function NewSite() {
  const navigate = useNavigate();
  const clients = useClients();
  const client = useQueryClient();
  const add = useChange({
    of: "site",
    change: async (fields: SiteFields) => {
      const clientId = await clientNamed(clients.data ?? [], fields.client);
      try {
        const { name, domains, staging } = fields;
        return await bodyOf(
          api.POST("/api/sites", {
            // How it is delivered is described later; until then it is as usual.
            body: { clientId, name, domains, staging, roles: [] } as Partial<SiteDraft> as SiteDraft,
          }),
        );
      } catch (error) {
        // A second try finds the client that this one added.
        await client.invalidateQueries({ queryKey: ["/api/clients"] });
        throw error;
      }
    },
    said: (site) => `Added ${site.name}. Now choose its faces.`,
  });
  return (
    <Leaf title={words.add} above={<Link to="/sites">{words.title}</Link>} below={words.belongs}>
      <Line>
        <Shown of={clients}>
          {(known) => (
            <SiteForm
              clients={known}
              saveLabel={words.addIt}
              onSave={async (fields) => {
                const site = await add.mutateAsync(fields).catch(() => null);
                if (site) {
                  await navigate(`/sites/${site.id}`);
                }
                return site !== null;
              }}
            />
          )}
        </Shown>
      </Line>
    </Leaf>
  );
}

function RecordedSite({ id }: { id: string }) {
  const site = useGet("/api/sites/{id}", { path: { id } });
  const clients = useClients();
  return site.data && clients.data ? (
    <OneSite site={site.data} clients={clients.data} />
  ) : (
    <NotHere
      error={site.error ?? clients.error}
      again={() => void Promise.all([site.refetch(), clients.refetch()])}
      all="/sites"
      allWords={words.all}
    />
  );
}

/** What a person enters of a site, as it is recorded. */
function draftOf({ clientId, name, domains, staging, roles, delivery }: Site): SiteDraft {
  return { clientId, name, domains, staging, roles, delivery };
}

function OneSite({ site, clients }: { site: Site; clients: Client[] }) {
  const { id } = site;
  const { queryKey } = asking("/api/sites/{id}", { path: { id } });
  const rows = useGet("/api/sites/{id}/comparison", { path: { id } });
  const flags = useFlagsOf("site", id);
  const save = useChange({
    of: "site",
    change: (draft: SiteDraft) =>
      bodyOf(
        api.PUT("/api/sites/{id}", { params: { path: { id }, header: editing(site.version) }, body: draft }),
      ),
    said: () => words.saved,
    failed: isStale,
  });
  const keepAll = useKeep(queryKey, save);
  const keep = (change: Partial<SiteDraft>) => keepAll({ ...draftOf(site), ...change });
  const keepFields = async (fields: SiteFields) => {
    const clientId = await clientNamed(clients, fields.client).catch(() => null);
    const { name, domains, staging } = fields;
    return clientId !== null && keep({ clientId, name, domains, staging });
  };
  const preview = (fields: SiteFields) => {
    const known = clients.find((one) => one.name === fields.client);
    const { name, domains, staging } = withHosts(fields);
    const body = { ...draftOf(site), clientId: known?.id ?? site.clientId, name, domains, staging };
    return bodyOf(api.POST("/api/sites/{id}/preview", { params: { path: { id } }, body }));
  };
  const at = (place: ReturnType<typeof placeOf>) => flags.filter((flag) => placeOf(flag) === place);
  return (
    <Leaf
      title={site.name}
      above={
        <>
          <Link to="/sites">{words.title}</Link> · {site.clientName} ·{" "}
          <a href={`/api/clients/${site.clientId}/statement`} target="_blank" rel="noreferrer">
            {words.statement}
          </a>
        </>
      }
      below={site.domains.join(", ") || words.noDomainYet}
      actions={<MakePack siteId={id} />}
      leaves={
        <SiteLeaves id={id} flags={{ "": flags.length - at("pages").length, pages: at("pages").length }} />
      }
    >
      <Line notes={<FlagNotes flags={at("asked")} />}>
        <h2 className="section">
          {words.askedHeldAllowed} <small>{words.every}</small>
        </h2>
        <Shown of={rows}>{(asked) => <AskedHeldAllowed rows={asked} />}</Shown>
        <LastCheck siteId={id} />
      </Line>
      <Line id="faces" notes={<FlagNotes flags={at("faces")} />}>
        <SiteRoles site={site} onSave={(roles) => keep({ roles })} />
      </Line>
      <Line id="pack" notes={<FlagNotes flags={at("pack")} />}>
        <Packs siteId={id} rows={rows.data ?? []} />
      </Line>
      <Line>
        <h2 className="section">{words.nameAndDomains}</h2>
        <SiteForm
          site={site}
          clients={clients}
          saveLabel={words.save}
          onSave={keepFields}
          preview={preview}
        />
      </Line>
      <Line>
        <PageViews siteId={id} />
      </Line>
      <Line>
        <RecordHistory type="site" id={id} />
        <DeleteSite site={site} />
      </Line>
    </Leaf>
  );
}
