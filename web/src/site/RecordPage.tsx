import { api, bodyOf } from "../shared/api/client";
import { draftOf } from "../shared/api/drafts";
import type { Client, Site } from "../shared/api/types";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Line } from "../shared/layout/Leaf";
import { clientNamed, useClients } from "../shared/parts/useClients";
import { Shown } from "../shared/states/States";
import { DeleteSite } from "./DeleteSite";
import { PageViews } from "./PageViews";
import { SiteForm, withHosts, type SiteFields } from "./SiteForm";
import { SiteLeaf } from "./SiteLeaf";
import { useKeepSite } from "./useSite";
import { words } from "./words";

/** What is recorded of a site: whose it is, where it is seen and how often, and what was done to it. */
export function RecordPage() {
  const clients = useClients();
  return (
    <SiteLeaf>
      {(site) => (
        <>
          <Line>
            <h2 className="section">{words.nameAndDomains}</h2>
            <Shown of={clients}>{(known) => <NameAndDomains site={site} clients={known} />}</Shown>
          </Line>
          <Line>
            <PageViews siteId={site.id} />
          </Line>
          <Line>
            <RecordHistory type="site" id={site.id} />
            <DeleteSite site={site} />
          </Line>
        </>
      )}
    </SiteLeaf>
  );
}

function NameAndDomains({ site, clients }: { site: Site; clients: Client[] }) {
  const keep = useKeepSite(site);
  const save = async (fields: SiteFields) => {
    const clientId = await clientNamed(clients, fields.client).catch(() => null);
    const { name, domains, staging } = fields;
    return clientId !== null && keep({ clientId, name, domains, staging });
  };
  const preview = (fields: SiteFields) => {
    const known = clients.find((one) => one.name === fields.client);
    const { name, domains, staging } = withHosts(fields);
    const body = { ...draftOf(site), clientId: known?.id ?? site.clientId, name, domains, staging };
    return bodyOf(api.POST("/api/sites/{id}/preview", { params: { path: { id: site.id } }, body }));
  };
  return <SiteForm site={site} clients={clients} saveLabel={words.save} onSave={save} preview={preview} />;
}
