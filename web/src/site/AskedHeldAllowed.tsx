import { Link } from "react-router";
import { Sign } from "../flag/Sign";
import { inFont, useStoredFont } from "../family/storedFont";
import type { AskedRow } from "../shared/api/types";
import { formatLabels, localDates } from "../shared/parts/format";
import { Verdict } from "../shared/parts/Verdict";
import { roleWords } from "./roles";

/** One row for each face that each text role asks for: asked, held, allowed. */
export function AskedHeldAllowed({ rows }: { rows: AskedRow[] }) {
  return (
    <>
      <h2 className="section">
        Asked, held, allowed <small>every face against every domain</small>
      </h2>
      {rows.length === 0 ? (
        <p className="empty">This site asks for nothing yet. Choose the faces of its text roles below.</p>
      ) : (
        <table className="sheet">
          <thead>
            <tr>
              <th>Asked</th>
              <th>Held</th>
              <th>Allowed</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={row.role + row.familyId + row.slot.key}>
                <td style={{ width: "32%" }}>
                  {rows[i - 1]?.role !== row.role && <span className="quiet">{roleWords[row.role]}</span>}
                  <Face row={row} />
                </td>
                <td style={{ width: "26%" }}>
                  <Held row={row} />
                </td>
                <td>
                  <Allowed row={row} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function Face({ row }: { row: AskedRow }) {
  const file = row.held.find((held) => held.format === "woff2") ?? row.held[0];
  const font = useStoredFont(file?.sha256);
  return (
    <div>
      <Link
        to={`/families/${row.familyId}`}
        style={{ ...(file ? inFont(font) : {}), fontSize: 21, textDecoration: "none" }}
      >
        {row.familyName} {row.slot.label}
      </Link>
    </div>
  );
}

function Held({ row }: { row: AskedRow }) {
  if (row.held.length === 0) {
    return (
      <>
        <b style={{ color: "var(--rubric)", display: "inline-flex", gap: 5, alignItems: "center" }}>
          <Sign group="MISSING" size={15} /> Not held
        </b>
        <div className="quiet" style={{ fontSize: 15 }}>
          {row.withoutIt}
        </div>
      </>
    );
  }
  const formats = [...new Set(row.held.map((held) => formatLabels[held.format] ?? held.format))];
  return (
    <>
      {formats.join(", ")}
      {!row.held.some((held) => held.format === "woff2") && (
        <div className="quiet" style={{ fontSize: 15 }}>
          a pack makes the WOFF2
        </div>
      )}
    </>
  );
}

/** One line while all domains agree, one for each domain when they do not. */
function Allowed({ row }: { row: AskedRow }) {
  if (row.domains.length === 0) {
    return <span className="quiet">no domain to decide on</span>;
  }
  const same = row.domains.every((domain) => domain.verdict === row.verdict);
  const lines = same ? row.domains.slice(0, 1) : row.domains;
  return (
    <>
      {lines.map((domain) => (
        <div key={domain.domain}>
          <Verdict value={domain.verdict} />{" "}
          <span className="quiet" style={{ fontSize: 15 }}>
            {!same && !domain.reasons[0]?.startsWith(domain.domain) && `${domain.domain}: `}
            {domain.verdict === "ALLOWED" ? (
              <Link to={`/licenses/${domain.licenseId}`}>{domain.licenseName}</Link>
            ) : (
              localDates(domain.reasons.slice(0, 2).join("; "))
            )}
          </span>
        </div>
      ))}
    </>
  );
}
