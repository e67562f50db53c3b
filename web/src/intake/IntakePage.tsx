import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useMayEdit, usePeople } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { askAgain, useChange } from "../shared/api/queries";
import type { Correction, FileRow, Intake } from "../shared/api/types";
import { Sign } from "../shared/flag/Sign";
import { groupNames } from "../shared/flag/words";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { count } from "../shared/parts/format";
import { Rows } from "../shared/parts/Rows";
import { uploadsInWords } from "../shared/parts/uploads";
import { NotHere } from "../shared/states/NotHere";
import { byFamily, notesOf } from "./families";
import { FontRows } from "./FontRows";
import { KeptOut } from "./KeptOut";
import { useIntake } from "./useIntake";
import { standing, throwingAway, words } from "./words";

/** One drop under review, grouped by family; every file with its verdict, and corrections in place. */
export function IntakePage() {
  const { id = "" } = useParams();
  const { intake, rows, error, again, more, loadingMore } = useIntake(id);
  const people = usePeople();
  const mayEdit = useMayEdit();
  const correct = useChange({
    of: "intake",
    change: ({ row, change }: { row: FileRow; change: Correction }) =>
      api.PATCH("/api/intakes/{id}/items/{item}", {
        params: { path: { id, item: row.id } },
        body: change,
      }),
  });
  useEnd(intake?.state === "READING");
  const families = useMemo(() => byFamily(rows.filter((row) => row.isFont)), [rows]);
  if (!intake) {
    return <NotHere error={error} again={again} all="/intake" allWords={words.all} />;
  }
  const { state, summary } = intake;
  const review = state === "REVIEW" && mayEdit;
  return (
    <Leaf
      title={uploadsInWords(summary.uploads)}
      above={<Link to="/intake">{words.title}</Link>}
      below={standing(summary, people(summary.createdBy))}
    >
      {state === "READING" && (
        <Line>
          <LinearProgress
            variant="determinate"
            aria-label={words.reading}
            value={summary.totalBytes ? (100 * summary.doneBytes) / summary.totalBytes : 0}
          />
          <p className="quiet">{words.goesOn}</p>
        </Line>
      )}
      {state === "FAILED" && (
        <Line>
          <p role="alert">{summary.failure}</p>
        </Line>
      )}
      <Rows
        label={words.family}
        items={families}
        keyOf={({ family }) => family}
        height={220}
        more={more}
        loadingMore={loadingMore}
        row={({ family, rows: members }) => (
          <Line notes={<IntakeNotes rows={members} />}>
            <h2 className="section">
              {family} <small>{count(members.length, "file")}</small>
            </h2>
            <FontRows
              intakeId={id}
              rows={members}
              editable={review}
              busy={correct.isPending}
              onCorrect={(row, change) => correct.mutateAsync({ row, change })}
            />
          </Line>
        )}
      />
      <KeptOut rows={rows.filter((row) => !row.isFont)} />
      {(review || (state === "FAILED" && mayEdit)) && (
        <Decision intake={intake} review={review} waiting={correct.isPending} />
      )}
    </Leaf>
  );
}

/** Takes in what is marked, or throws all of it away; not while a correction is on its way. */
function Decision({ intake, review, waiting }: { intake: Intake; review: boolean; waiting: boolean }) {
  const navigate = useNavigate();
  const { id, files } = intake.summary;
  const [discarding, setDiscarding] = useState(false);
  const included = intake.verdicts.reduce((sum, verdict) => sum + verdict.included, 0);
  const accept = useChange({
    of: "accepted intake",
    change: async () => {
      const accepted = await bodyOf(api.POST("/api/intakes/{id}/accept", { params: { path: { id } } }));
      const [only, ...others] = accepted.familyIds;
      await navigate(others.length === 0 ? `/families/${only}` : "/families");
      return accepted;
    },
    said: (accepted) => ({ text: `${count(accepted.files, "file")} went in.`, undo: accepted.historyId }),
  });
  const discard = useChange({
    of: "intake",
    change: async () => {
      const gone = await bodyOf(api.DELETE("/api/intakes/{id}", { params: { path: { id } } }));
      await navigate("/intake");
      return gone;
    },
    said: (gone) => ({ text: words.thrownAway, undo: gone.historyId }),
  });
  return (
    <Line>
      <div className="savebar">
        {review && (
          <Button
            variant="contained"
            disabled={included === 0 || waiting || accept.isPending}
            onClick={() => accept.mutate()}
          >
            {accept.isPending ? words.accepting : `${words.accept} ${count(included, "file")}`}
          </Button>
        )}
        <Button disabled={accept.isPending} onClick={() => setDiscarding(true)}>
          {words.throwAway}
        </Button>
        <span className="quiet">{review && (included === 0 ? words.markOne : words.staysOut)}</span>
      </div>
      {discarding && (
        <Confirm
          title={words.throwThis}
          action={words.throwAway}
          onClose={() => setDiscarding(false)}
          onConfirm={() => discard.mutateAsync()}
        >
          {throwingAway(files)}
        </Confirm>
      )}
    </Line>
  );
}

/** Asks again when reading has ended, since other places count what waits. */
function useEnd(reading: boolean) {
  const client = useQueryClient();
  const [was, setWas] = useState(reading);
  useEffect(() => {
    if (was && !reading) {
      void askAgain(client, "intake");
    }
    setWas(reading);
  }, [was, reading, client]);
}

/** The margin of a family under review: what would repeat or clash. */
function IntakeNotes({ rows }: { rows: FileRow[] }) {
  return notesOf(rows).map(({ what, files, because }) => (
    <div key={what} className="note">
      <span className="sign">
        <Sign group="DUPLICATE" decoration />
      </span>
      <div className="group">{groupNames.DUPLICATE}</div>
      <div className="what">
        {what === "clashes"
          ? `${count(files, "file clashes", "files clash")} with a filled slot`
          : `${count(files, "file is", "files are")} held already`}
      </div>
      <div className="why">{what === "clashes" ? because : `${because}. Left out unless you mark it.`}</div>
    </div>
  ));
}
