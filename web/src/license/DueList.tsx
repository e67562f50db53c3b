import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, filesIn } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { Line } from "../shared/layout/Leaf";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { day } from "../shared/parts/format";
import { taken } from "../shared/parts/imports";
import { dueWords, imported, words, yearCosts } from "./words";

const MOST_SHOWN = 4;

/** The forms in which all licenses go out, and come in again. */
const forms = [
  ["csv", "CSV"],
  ["json", "JSON"],
  ["jsonld", "ODRL"],
] as const;

/** What falls due next, and what the coming year costs; with the ledger to take out and in. */
export function DueList() {
  const due = useGet("/api/due", { query: { months: 18 } }).data;
  const totals = useGet("/api/costs", { query: { months: 12 } }).data?.totals ?? [];
  const mayEdit = useMayEdit();
  const take = useChange({
    of: "license",
    change: async (file: File) => {
      const body = filesIn("file", [{ file, path: file.name }]);
      return taken(
        await bodyOf(api.POST("/api/licenses/ledger", { params: { query: { check: false } }, body })),
      );
    },
    said: (report) => imported(report.recorded),
  });
  return (
    <Line>
      <div className="due">
        <h2>{words.due}</h2>
        {due?.length === 0 && <span className="quiet">{words.nothingDue}</span>}
        <ol>
          {due?.slice(0, MOST_SHOWN).map((one) => (
            <li key={one.licenseId + one.kind}>
              <b>{day(one.day)}</b> <Link to={`/licenses/${one.licenseId}`}>{one.licenseName}</Link>{" "}
              <span className="quiet">{dueWords[one.kind]}</span>
            </li>
          ))}
        </ol>
        <p className="quiet ledger">
          {totals.map(({ currency, total, payments }) => (
            <span key={currency}>{yearCosts(total, currency, payments)}. </span>
          ))}
          <span>
            {words.ledger}{" "}
            {forms.map(([ending, name], i) => (
              <span key={ending}>
                {i > 0 && " · "}
                <a href={`/api/licenses.${ending}`} download aria-label={`${words.ledger} ${name}`}>
                  {name}
                </a>
              </span>
            ))}
          </span>
          {mayEdit && (
            <ChooseFile
              label={words.ledgerFile}
              accept=".csv,.json,.jsonld,text/csv,application/json,application/ld+json"
              disabled={take.isPending}
              onFile={(file) => take.mutate(file)}
            >
              {words.importLedger}
            </ChooseFile>
          )}
        </p>
      </div>
    </Line>
  );
}
