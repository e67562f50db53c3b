import { Link, useParams } from "react-router";
import { api, bodyOf, editing, isStale } from "../../shared/api/client";
import { asking, useChange, useGet } from "../../shared/api/queries";
import type { Site, SiteDraft } from "../../shared/api/types";
import { useKeep } from "../../shared/api/useKeep";
import { Leaf, Line } from "../../shared/layout/Leaf";
import { SiteLeaves } from "../../shared/layout/SiteLeaves";
import { NotHere } from "../../shared/states/NotHere";
import { DeliveryForm } from "./DeliveryForm";
import { words } from "./words";

/** How a site's fonts are delivered. */
export function DeliveryPage() {
  const { id = "" } = useParams();
  const site = useGet("/api/sites/{id}", { path: { id } });
  return site.data ? (
    <OneSite key={id} site={site.data} />
  ) : (
    <NotHere error={site.error} again={() => void site.refetch()} all="/sites" allWords="All sites" />
  );
}

function OneSite({ site }: { site: Site }) {
  const { id, clientId, name, domains, staging, roles } = site;
  const save = useChange({
    of: "site",
    change: (body: SiteDraft) =>
      bodyOf(api.PUT("/api/sites/{id}", { params: { path: { id }, header: editing(site.version) }, body })),
    said: () => words.saved,
    failed: isStale,
  });
  const keep = useKeep(asking("/api/sites/{id}", { path: { id } }).queryKey, save);
  return (
    <Leaf
      title={name}
      above={
        <>
          <Link to="/sites">Sites</Link> · {site.clientName}
        </>
      }
      below={words.below}
      leaves={<SiteLeaves id={id} />}
    >
      <Line>
        <DeliveryForm
          site={site}
          onSave={(delivery) => keep({ clientId, name, domains, staging, roles, delivery })}
        />
      </Line>
    </Leaf>
  );
}
