import { placeOnSite, useFlagsOf } from "../flag/flags";
import { Leaves } from "./Leaves";

/** The leaves of the place: all sites, and a style sheet that belongs to none. */
export function SitesLeaves() {
  return (
    <Leaves
      label="Leaves of the sites"
      leaves={[
        { to: "/sites", name: "Sites", flags: 0 },
        { to: "/css", name: "CSS", flags: 0 },
      ]}
    />
  );
}

/** The leaves of one site, with how many of its flags are mended on each. */
export function SiteLeaves({ id }: { id: string }) {
  const all = useFlagsOf("site", id);
  const flags: Record<string, number> = {};
  for (const place of all.map(placeOnSite)) {
    const path = place === "type" || place === "pages" ? place : "";
    flags[path] = (flags[path] ?? 0) + 1;
  }
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
        leaf("css", "CSS"),
        leaf("details", "Details"),
      ]}
    />
  );
}
