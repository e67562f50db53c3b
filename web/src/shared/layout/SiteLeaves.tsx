import { Leaves } from "./Leaves";

/** The leaves of the place: all sites, and a style sheet that belongs to none. */
export function SitesLeaves() {
  return (
    <Leaves
      label="Leaves of the sites"
      leaves={[
        { to: "/sites", name: "Sites", flags: 0 },
        { to: "/proof", name: "Proof", flags: 0 },
      ]}
    />
  );
}

/** The leaves of one site, with how many flags stand on each. */
export function SiteLeaves({ id, flags = {} }: { id: string; flags?: Record<string, number> }) {
  const leaf = (path: string, name: string) => ({
    to: `/sites/${id}${path && `/${path}`}`,
    name,
    flags: flags[path] ?? 0,
  });
  return (
    <Leaves
      label="Leaves of this site"
      leaves={[
        leaf("", "Overview"),
        leaf("type", "Type"),
        leaf("delivery", "Delivery"),
        leaf("pages", "Pages"),
        leaf("proof", "Proof"),
        leaf("record", "Record"),
      ]}
    />
  );
}
