import type { Site } from "../../shared/api/types";
import { Line } from "../../shared/layout/Leaf";
import { SiteLeaf } from "../SiteLeaf";
import { useKeepSite } from "../useSite";
import { DeliveryForm } from "./DeliveryForm";
import { FamilyNames } from "./FamilyNames";
import { words } from "./words";

/** How a site's fonts are delivered. */
export function DeliveryPage() {
  return <SiteLeaf below={() => words.below}>{(site) => <OneSite key={site.id} site={site} />}</SiteLeaf>;
}

function OneSite({ site }: { site: Site }) {
  const keep = useKeepSite(site);
  return (
    <Line>
      <DeliveryForm site={site} onSave={(delivery) => keep({ delivery })} />
      <FamilyNames site={site} onSave={(familyNames) => keep({ familyNames })} />
    </Line>
  );
}
