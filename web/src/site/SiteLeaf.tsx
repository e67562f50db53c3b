import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import type { Site } from "../shared/api/types";
import { Leaf } from "../shared/layout/Leaf";
import { SiteLeaves } from "../shared/layout/SiteLeaves";
import { NotHere } from "../shared/states/NotHere";
import { useSite } from "./useSite";
import { words } from "./words";

type Props = {
  below?: (site: Site) => ReactNode;
  actions?: (site: Site) => ReactNode;
  children: (site: Site) => ReactNode;
};

/** One leaf of the site that the address names: its head with all leaves, and what the leaf holds. */
export function SiteLeaf({ below, actions, children }: Props) {
  const { id = "" } = useParams();
  const site = useSite(id);
  if (!site.data) {
    return <NotHere error={site.error} again={() => void site.refetch()} all="/sites" allWords={words.all} />;
  }
  return (
    <Leaf
      key={id}
      title={site.data.name}
      above={
        <>
          <Link to="/sites">{words.title}</Link> · {site.data.clientName} ·{" "}
          <a href={`/api/clients/${site.data.clientId}/statement`} target="_blank" rel="noreferrer">
            {words.statement}
          </a>
        </>
      }
      below={below?.(site.data) ?? (site.data.domains.join(", ") || words.noDomainYet)}
      actions={actions?.(site.data)}
      leaves={<SiteLeaves id={id} />}
    >
      {children(site.data)}
    </Leaf>
  );
}
