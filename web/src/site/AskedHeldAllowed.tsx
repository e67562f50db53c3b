import { Link } from "react-router";
import type { AskedRow } from "../shared/api/types";
import { Sign } from "../shared/flag/Sign";
import { shownFile } from "../shared/font/slots";
import { inFont, useLetters } from "../shared/font/storedFont";
import { formatName } from "../shared/parts/format";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { Verdict } from "../shared/parts/Verdict";
import { saidOnce } from "./packs";
import { Term } from "../shared/glossary/Term";
import { roleName, words } from "./words";

/** One row for each face that each text role asks for; what rows in sequence are decided alike stands once beside them. */
export function AskedHeldAllowed({ rows }: { rows: AskedRow[] }) {
  const walk = useRovingFocus<HTMLDivElement>();
  const said = saidOnce(rows.map(verdictOf));
  return (
    <div className="scrolled" ref={walk}>
      <table className="sheet asked-table">
        <thead>
          <tr>
            <th>
              <Term of="asked">{words.asked}</Term>
            </th>
            <th>
              <Term of="held">{words.held}</Term>
            </th>
            <th>
              <Term of="allowed">{words.allowed}</Term>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const lines = said[i]!;
            return (
              <tr key={row.role + row.familyId + row.slot.key} data-row>
                <td>
                  {rows[i - 1]?.role !== row.role && <span className="quiet">{roleName(row.role)}</span>}
                  <Face row={row} />
                </td>
                <td>
                  <Held row={row} />
                </td>
                {lines > 0 && (
                  <td rowSpan={lines}>
                    <Allowed row={row} />
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Face({ row }: { row: AskedRow }) {
  const file = shownFile(row.held);
  const face = `${row.familyName} ${row.slot.label}`;
  const font = useLetters(file?.sha256, face);
  return (
    <div>
      <Link to={`/families/${row.familyId}`} className="asked-face" style={file ? inFont(font) : undefined}>
        {face}
      </Link>
    </div>
  );
}

function Held({ row }: { row: AskedRow }) {
  if (row.held.length === 0) {
    return (
      <>
        <b className="rubric signed">
          <Sign group="MISSING" size={15} decoration /> {words.notHeld}
        </b>
        <div className="quiet small">{row.withoutIt}</div>
      </>
    );
  }
  const formats = [...new Set(row.held.map((held) => formatName(held.format)))];
  return (
    <>
      {formats.join(", ")}
      {!row.held.some((held) => held.format === "woff2") && (
        <div className="quiet small">{words.packMakes}</div>
      )}
    </>
  );
}

/** What is decided on a face, in a text that is equal for what is shown alike. */
function verdictOf({ domains }: AskedRow): string {
  return JSON.stringify(
    domains.map(({ domain, verdict, licenseId, reasons }) => [
      domain,
      verdict,
      licenseId,
      ...reasons.slice(0, 2),
    ]),
  );
}

/** One line while all domains agree, one for each domain when they do not. */
function Allowed({ row }: { row: AskedRow }) {
  if (row.domains.length === 0) {
    return <span className="quiet">{words.noDomainToDecide}</span>;
  }
  const same = row.domains.every((domain) => domain.verdict === row.verdict);
  const lines = same ? row.domains.slice(0, 1) : row.domains;
  return lines.map((domain) => (
    <div key={domain.domain}>
      <Verdict value={domain.verdict} />{" "}
      <span className="quiet small">
        {!same && `${domain.domain}: `}
        {domain.verdict === "ALLOWED" ? (
          <Link to={`/licenses/${domain.licenseId}`}>{domain.licenseName}</Link>
        ) : (
          domain.reasons.slice(0, 2).join("; ")
        )}
      </span>
    </div>
  ));
}
