import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, filesIn } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { Line } from "../shared/layout/Leaf";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { day } from "../shared/parts/format";
import { costsWithin } from "./due";
import { dueWords, imported, notImported, words, yearCosts } from "./words";

const MOST_SHOWN = 4;

/** What falls due next, and what the coming year costs; with the ledger to take out and in. */
export function DueList() {
  const due = useGet("/api/due", { query: { months: 18 } }).data;
  const mayEdit = useMayEdit();
  const take = useChange({
    of: "license",
    change: async (file: File) => {
      const body = filesIn("file", [{ file, path: file.name }]);
      const report = await bodyOf(
        api.POST("/api/licenses/ledger", { params: { query: { check: false } }, body }),
      );
      if (report.problems.length > 0) {
        throw new Error(notImported(report.problems));
      }
      return report;
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
        <p className="quiet">
          {due &&
            costsWithin(due, new Date()).map(({ currency, cents, times }) => (
              <span key={currency}>{yearCosts(cents, currency, times)}. </span>
            ))}
          <a href="/api/licenses.csv" download>
            {words.ledger}
          </a>
          {mayEdit && (
            <ChooseFile
              label={words.ledgerFile}
              accept=".csv,text/csv"
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
