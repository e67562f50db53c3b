import { Link } from "react-router";
import type { Family } from "../shared/api/types";
import { day, listed } from "../shared/parts/format";
import { words } from "./words";

/** Under which licenses a family stands, which sites use it, and which of its faces they ask for. */
export function Use({ family: { licenses, sites, asks } }: { family: Family }) {
  return (
    <>
      <h2 className="section">{words.licenses}</h2>
      {licenses.length === 0 ? (
        <p className="quiet">{words.noLicense}</p>
      ) : (
        <ul className="plain-list">
          {licenses.map((license) => (
            <li key={license.id}>
              <Link to={`/licenses/${license.id}`}>{license.name}</Link>
              {license.ends && <span className="quiet">, until {day(license.ends)}</span>}
            </li>
          ))}
        </ul>
      )}
      <h2 className="section">{words.sites}</h2>
      {sites.length === 0 ? (
        <p className="quiet">{words.noSite}</p>
      ) : (
        <ul className="plain-list">
          {sites.map((site) => (
            <li key={site.id}>
              <Link to={`/sites/${site.id}`}>{site.name}</Link>
              <span className="quiet">
                {" "}
                {words.asksFor}{" "}
                {listed(asks.filter((ask) => ask.by.includes(site.name)).map((ask) => ask.slot.label))}
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
