import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Sign } from "../flag/Sign";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Correction, FileRow, Intake } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { count, moment } from "../shared/parts/format";
import { FontRows } from "./FontRows";
import { uploadsInWords } from "./IntakeListPage";
import { KeptOut } from "./KeptOut";
import { stateWords } from "./states";

/** One drop under review, grouped by family; every file with its verdict, and corrections in place. */
export function IntakePage() {
  const { id = "" } = useParams();
  const path = `/api/intakes/${id}`;
  const intake = useOne<Intake>(path, (data) => (data?.state === "READING" ? 400 : false));
  const navigate = useNavigate();
  const [discarding, setDiscarding] = useState(false);
  const correct = useChange(({ row, change }: { row: FileRow; change: Correction }) =>
    call<Intake>("PATCH", `${path}/items/${row.id}`, change),
  );
  const accept = useChange(
    async () => {
      const accepted = await call<{ files: number; familyIds: string[] }>("POST", `${path}/accept`);
      await navigate(accepted.familyIds.length === 1 ? `/families/${accepted.familyIds[0]}` : "/families");
      return accepted;
    },
    (accepted) => `${count(accepted.files, "file")} went into the inventory.`,
  );
  const discard = useChange(
    async () => {
      await call("DELETE", path);
      await navigate("/intake");
    },
    () => "Thrown away.",
  );
  if (!intake.data) {
    return intake.error ? (
      <Leaf title="Not here" below={intake.error.message}>
        <Line>
          <Link to="/intake">All intakes</Link>
        </Line>
      </Leaf>
    ) : null;
  }
  const { rows, state, summary } = intake.data;
  const fonts = rows.filter((row) => row.isFont);
  const included = fonts.filter((row) => row.included);
  const review = state === "REVIEW";
  return (
    <Leaf
      title={uploadsInWords(summary.uploads)}
      above={<Link to="/intake">Intake</Link>}
      below={`${stateWords[state][0]!.toUpperCase()}${stateWords[state].slice(1)}. Dropped ${moment(summary.createdAt)} by ${summary.createdBy}; ${count(rows.length, "file")}${state === "READING" ? " read so far" : ""}.`}
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
      {(review || state === "FAILED") && (
        <Line>
          <div className="savebar">
            {review && (
              <Button
                variant="contained"
                disabled={included.length === 0 || accept.isPending}
                onClick={() => accept.mutate(undefined)}
              >
                Accept {count(included.length, "file")}
              </Button>
            )}
            <Button onClick={() => setDiscarding(true)}>Throw away</Button>
            <span className="quiet">
              {review &&
                (included.length === 0
                  ? "Mark at least one file to go in."
                  : "What is not marked stays out.")}
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
          None of its {count(rows.length, "file")} goes into the inventory; the copies here are deleted. What
          is held already stays.
        </Confirm>
      )}
    </Leaf>
  );
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
    <aside className="note">
      <span className="sign">
        <Sign group="DUPLICATE" />
      </span>
      <div className="group">Duplicate</div>
      <div className="what">{what}</div>
      <div className="why">{why}</div>
    </aside>
  );
}
