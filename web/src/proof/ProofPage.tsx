import { Link, useParams } from "react-router";
import { useGet } from "../shared/api/queries";
import { Leaf } from "../shared/layout/Leaf";
import { NotHere } from "../shared/states/NotHere";
import { SiteLeaves, SitesLeaves } from "../shared/layout/SiteLeaves";
import { ProofReading } from "./ProofReading";
import { words } from "./words";

/** Proof-reading as a place of its own: for a site, or without one. */
export function ProofPage() {
  const { id } = useParams();
  return id ? <ForSite key={id} id={id} /> : <WithoutSite />;
}

function WithoutSite() {
  return (
    <Leaf title={words.title} below={words.below} leaves={<SitesLeaves />}>
      <ProofReading />
    </Leaf>
  );
}

function ForSite({ id }: { id: string }) {
  const site = useGet("/api/sites/{id}", { path: { id } });
  return site.data ? (
    <Leaf
      title={site.data.name}
      above={
        <>
          <Link to="/sites">Sites</Link> · {site.data.clientName}
        </>
      }
      below={words.below}
      leaves={<SiteLeaves id={id} />}
    >
      <ProofReading siteId={id} domain={site.data.domains[0]} />
    </Leaf>
  ) : (
    <NotHere error={site.error} again={() => void site.refetch()} all="/sites" allWords="All sites" />
  );
}
