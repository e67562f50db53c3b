import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useMayEdit, usePeople } from "../account/session";
import { Sign } from "../flag/Sign";
import { call } from "../shared/api/client";
import { useChange, useIntake } from "../shared/api/queries";
import type { Accepted, Correction, FileRow, Undoable } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { count, moment } from "../shared/parts/format";
import { More } from "../shared/parts/More";
import { NotHere } from "../shared/parts/NotHere";
import { FontRows } from "./FontRows";
import { KeptOut } from "./KeptOut";
import { stateWords } from "./states";
import { uploadsInWords } from "./words";

/** One drop under review, grouped by family; every file with its verdict, and corrections in place. */
export function IntakePage() {
  const { id = "" } = useParams();
  const navigate = useNavigate();
  const path = `/api/intakes/${id}`;
  const { intake, rows, error, more, loadingMore } = useIntake(path);
  const [discarding, setDiscarding] = useState(false);
  const people = usePeople();
  const mayEdit = useMayEdit();
  const correct = useChange(({ row, change }: { row: FileRow; change: Correction }) =>
    call("PATCH", `${path}/items/${row.id}`, change),
  );
  const accept = useChange(
    async () => {
      const accepted = await call<Accepted>("POST", `${path}/accept`, {});
      const [only, ...others] = accepted.familyIds;
      await navigate(others.length === 0 ? `/families/${only}` : "/families");
      return accepted;
    },
    (accepted) => ({ text: `${count(accepted.files, "file")} went in.`, undo: accepted.historyId }),
  );
  const discard = useChange(
    async () => {
      const gone = await call<Undoable>("DELETE", path);
      await navigate("/intake");
      return gone;
    },
    (gone) => ({ text: "Thrown away.", undo: gone.historyId }),
  );
  useEnd(intake?.state === "READING");
  if (!intake) {
    return <NotHere error={error} all="/intake" allWords="All intakes" />;
  }
  const { state, summary } = intake;
  const fonts = rows.filter((row) => row.isFont);
  const included = intake.verdicts.reduce((sum, verdict) => sum + verdict.included, 0);
  const review = state === "REVIEW" && mayEdit;
  const busy = correct.isPending || accept.isPending;
  return (
    <Leaf
      title={uploadsInWords(summary.uploads)}
      above={<Link to="/intake">Intake</Link>}
      below={`${stateWords[state][0]!.toUpperCase()}${stateWords[state].slice(1)}. Dropped ${moment(summary.createdAt)} by ${people(summary.createdBy)}; ${count(summary.files, "file")}${state === "READING" ? " read so far" : ""}.`}
    >
      {state === "READING" && (
        <Line>
          <LinearProgress
            variant="determinate"
            aria-label="Reading"
            value={summary.totalBytes ? (100 * summary.doneBytes) / summary.totalBytes : 0}
          />
          <p className="quiet">You can leave this page; the reading goes on.</p>
        </Line>
      )}
      {state === "FAILED" && (
        <Line>
          <p role="alert">{summary.failure}</p>
        </Line>
      )}
      {families(fonts).map(([family, members]) => (
        <Line key={family} notes={<IntakeNotes rows={members} />}>
          <h2 className="section">
            {family} <small>{count(members.length, "file")}</small>
          </h2>
          <FontRows
            intakeId={id}
            rows={members}
            editable={review}
            onCorrect={(row, change) => correct.mutate({ row, change })}
          />
        </Line>
      ))}
      <KeptOut rows={rows.filter((row) => !row.isFont)} />
      <Line>
        <More more={more} loading={loadingMore} />
      </Line>
      {(review || (state === "FAILED" && mayEdit)) && (
        <Line>
          <div className="savebar">
            {review && (
              <Button
                variant="contained"
                disabled={included === 0 || busy}
                onClick={() => accept.mutate(undefined)}
              >
                {accept.isPending ? "Taking in …" : `Accept ${count(included, "file")}`}
              </Button>
            )}
            <Button onClick={() => setDiscarding(true)}>Throw away</Button>
            <span className="quiet">
              {review &&
                (included === 0 ? "Mark at least one file to go in." : "What is not marked stays out.")}
            </span>
          </div>
        </Line>
      )}
      {discarding && (
        <Confirm
          title="Throw this intake away?"
          action="Throw away"
          onClose={() => setDiscarding(false)}
          onConfirm={() => discard.mutate(undefined)}
        >
          None of its {count(summary.files, "file")} goes into the inventory. You can take this back for an
          hour; what is held already stays.
        </Confirm>
      )}
    </Leaf>
  );
}

/** Asks everything again when reading has ended, since other places count what waits. */
function useEnd(reading: boolean) {
  const client = useQueryClient();
  const [was, setWas] = useState(reading);
  useEffect(() => {
    if (was && !reading) {
      void client.invalidateQueries();
    }
    setWas(reading);
  }, [was, reading, client]);
}

function families(rows: FileRow[]): [string, FileRow[]][] {
  const byFamily = new Map<string, FileRow[]>();
  for (const row of rows) {
    byFamily.set(row.family, [...(byFamily.get(row.family) ?? []), row]);
  }
  return [...byFamily].sort(([a], [b]) => a.localeCompare(b));
}

/** The margin of a family under review: what would repeat or clash. */
function IntakeNotes({ rows }: { rows: FileRow[] }) {
  const repeats = rows.filter((row) => row.verdict === "SAME_BYTES" || row.verdict === "SAME_DRAWING");
  const clashes = rows.filter((row) => row.verdict === "CLASH");
  return (
    <>
      {clashes.length > 0 && (
        <Note
          what={`${count(clashes.length, "file clashes", "files clash")} with a filled slot`}
          why={clashes[0]!.because}
        />
      )}
      {repeats.length > 0 && (
        <Note
          what={`${count(repeats.length, "file is", "files are")} held already`}
          why={`${repeats[0]!.because}. Left out unless you mark it.`}
        />
      )}
    </>
  );
}

function Note({ what, why }: { what: string; why: string }) {
  return (
    <div className="note">
      <span className="sign">
        <Sign group="DUPLICATE" />
      </span>
      <div className="group">Duplicate</div>
      <div className="what">{what}</div>
      <div className="why">{why}</div>
    </div>
  );
}
