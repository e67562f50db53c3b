import type { ReactNode } from "react";
import { Link } from "react-router";
import { useGet } from "../shared/api/queries";
import type { Clause, License, StandingHost } from "../shared/api/types";
import { SlotGrid } from "../shared/font/SlotGrid";
import { day, money } from "../shared/parts/format";
import { Verdict } from "../shared/parts/Verdict";
import { Download } from "./Documents";
import { acts } from "./terms";
import { Track } from "./TimeLine";
import { perWords, places, sourceWords, words } from "./words";

const MOST_GRIDS = 8;

const verdictOf: Record<Clause, "ALLOWED" | "REFUSED" | "NOT_STATED"> = {
  GRANTED: "ALLOWED",
  REFUSED: "REFUSED",
  NOT_STATED: "NOT_STATED",
};

/** The sentences of what a license allows, the first one large. */
export function AllowsSentences({ license: { allows } }: { license: License }) {
  const [first, ...more] = allows;
  return (
    <div className="lede">
      <p>{first}</p>
      {more.length > 0 && <p className="quiet">{more.join(" ")}</p>}
    </div>
  );
}

/** Each thing that may be done with a file: granted, refused or not stated, and by which words. */
export function ActsTable({ license: { terms, acts: said } }: { license: License }) {
  return (
    <>
      <h2 className="section">{words.acts}</h2>
      <table className="sheet says acts-said">
        <tbody>
          {acts.map(([term, act, point]) => {
            const holds = said.find((one) => one.act === act);
            const quote = terms.quotes[point];
            return (
              <tr key={act}>
                <th scope="row">{words[term]}</th>
                <td>{holds && <Verdict value={verdictOf[holds.clause]} said="clause" />}</td>
                <td className="quiet">
                  {quote ? (
                    <>
                      <q>{quote.text}</q> {quote.place}
                    </>
                  ) : (
                    holds && holds.clause !== "NOT_STATED" && sourceWords[holds.source]
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** The domains of a license, each with the hosts of sites that stand on it, and the hosts that it does not name. */
export function StandingOn({ id, anyDomain }: { id: string; anyDomain: boolean }) {
  const standing = useGet("/api/licenses/{id}/standing", { path: { id } }).data;
  if (!standing) {
    return <h2 className="section">{words.standing}</h2>;
  }
  const { named, others, freePlaces } = standing;
  return (
    <>
      <h2 className="section">
        {words.standing} {freePlaces !== null && <small>{places(freePlaces)}</small>}
      </h2>
      {named.length === 0 && others.length === 0 && <p className="quiet">{words.noSites}</p>}
      <table className="sheet says">
        <tbody>
          {named.map(({ domain, over, hosts }) => (
            <tr key={domain}>
              <th scope="row">
                {domain}
                {over && <div className="rubric small">{words.overLimit}</div>}
              </th>
              <td>
                {hosts.length === 0 ? (
                  <span className="quiet">{words.noHost}</span>
                ) : (
                  hosts.map((host) => <Host key={host.siteId + host.host} host={host} />)
                )}
              </td>
            </tr>
          ))}
          {others.length > 0 && (
            <tr>
              <th scope="row" className="quiet">
                {anyDomain ? words.anyDomain : words.notPermitted}
              </th>
              <td>
                {others.map((host) => (
                  <Host key={host.siteId + host.host} host={host} named />
                ))}
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </>
  );
}

function Host({ host, named = false }: { host: StandingHost; named?: boolean }) {
  return (
    <div>
      <Verdict value={host.verdict} /> <Link to={`/sites/${host.siteId}`}>{host.siteName}</Link>
      <span className="quiet small">
        {" "}
        {[named ? host.host : "", host.clientName, ...host.against.slice(0, 2)].filter(Boolean).join(" · ")}
      </span>
    </div>
  );
}

/** The faces that a license covers, each family on its slot grid. */
export function CoveredFaces({ license: { terms, familyNames } }: { license: License }) {
  return (
    <>
      <h2 className="section">{words.faces}</h2>
      <table className="sheet says">
        <tbody>
          {terms.covers.map((covered, i) => (
            <tr key={covered.familyId}>
              <th scope="row">
                <Link to={`/families/${covered.familyId}`}>{familyNames[covered.familyId] ?? "…"}</Link>
                <div className="quiet small">
                  {covered.faces.length === 0
                    ? words.wholeFamily
                    : covered.faces.map((face) => face.label).join(", ")}
                </div>
              </th>
              <td>{i < MOST_GRIDS && <Grid covered={covered} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Grid({ covered }: { covered: License["terms"]["covers"][number] }) {
  const family = useGet("/api/families/{id}", { path: { id: covered.familyId } }).data;
  return family ? (
    <SlotGrid
      small
      files={family.files}
      asks={[]}
      picked={(slot) => covered.faces.some((face) => face.key === slot.key)}
    />
  ) : null;
}

/** When a license holds, and what it costs. */
export function DatesAndMoney({ license }: { license: License }) {
  const { begins, ends, renews, noticeDays, price, currency, pricePer, nextPayment, proof } = license.terms;
  const { confirmedBy, confirmedOn } = license.terms;
  const cost = price ? `${money(price, currency)} ${perWords[pricePer]}` : "";
  const [latest] = license.agreement;
  const rows: [string, ReactNode][] = [
    [words.begins, begins ? day(begins) : ""],
    [words.ends, ends ? `${day(ends)}${renews ? `, ${words.renews}` : ""}` : ""],
    [words.notice, ends ? String(noticeDays) : ""],
    [words.price, cost],
    [words.nextPayment, nextPayment ? day(nextPayment) : ""],
    [words.proof, proof],
    [words.confirmed, [confirmedBy, confirmedOn ? day(confirmedOn) : ""].filter(Boolean).join(", ")],
    [words.document, latest && <Download file={latest} />],
  ];
  return (
    <>
      <h2 className="section">{words.money}</h2>
      <div className="timeline alone">
        <Track license={license} />
      </div>
      <table className="sheet says">
        <tbody>
          {rows
            .filter(([, value]) => Boolean(value))
            .map(([name, value]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>{value}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </>
  );
}
