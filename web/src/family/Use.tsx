import { Fragment } from "react";
import { Link } from "react-router";
import { useGet } from "../shared/api/queries";
import type { Family } from "../shared/api/types";
import { day, listed } from "../shared/parts/format";
import { shortAddress } from "../shared/parts/address";
import { Shown } from "../shared/states/States";
import { faceOnPages, words } from "./words";

/** Under which licenses a family stands, which sites use it, and which of its faces they ask for. */
export function Use({ family: { id, licenses, sites, asks } }: { family: Family }) {
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
      <OnPages familyId={id} />
    </>
  );
}

/** Where the latest checks found the family on pages, whether or not a site is recorded to use it. */
function OnPages({ familyId }: { familyId: string }) {
  const found = useGet("/api/families/{id}/pages", { path: { id: familyId } });
  return (
    <>
      <h2 className="section">
        {words.onPages} <small>{words.onPagesIs}</small>
      </h2>
      <Shown of={found} lines={1}>
        {(sites) =>
          sites.length === 0 ? (
            <p className="quiet">{words.onNoPage}</p>
          ) : (
            <ul className="plain-list">
              {sites.map((site) => (
                <li key={site.siteId}>
                  <Link to={`/sites/${site.siteId}/pages`}>{site.siteName}</Link>{" "}
                  <span className="quiet">{day(site.checkedAt)}</span>
                  {site.faces.map((face, i) => (
                    <div key={i} className="small">
                      {faceOnPages(face)}{" "}
                      {face.pages.map((page, n) => (
                        <Fragment key={page.position}>
                          {n > 0 && ", "}
                          <Link to={`/sites/${site.siteId}/pages/${page.position}?check=${site.checkId}`}>
                            {shortAddress(page.url)}
                          </Link>
                        </Fragment>
                      ))}
                    </div>
                  ))}
                </li>
              ))}
            </ul>
          )
        }
      </Shown>
    </>
  );
}
