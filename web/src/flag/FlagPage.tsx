import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useForm } from "react-hook-form";
import { Link, useParams } from "react-router";
import { useMayEdit, usePeople } from "../account/session";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Flag, FlagStory } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { day, localDates, moment } from "../shared/parts/format";
import { NotHere } from "../shared/parts/NotHere";
import { RecordHistory } from "../history/RecordHistory";
import { Decide } from "./Decide";
import { FlagAction } from "./FlagNote";
import { Subjects } from "./FlagRow";
import { headingOf } from "./flags";

/** One flag: what it says, since when, what was decided about it, and what people said. */
export function FlagPage() {
  const { id = "" } = useParams();
  const path = `/api/flags/${id}`;
  const { data: flag, error } = useOne<Flag>(path);
  const story = useOne<FlagStory>(`${path}/story`).data;
  const people = usePeople();
  const mayEdit = useMayEdit();
  const withdraw = useChange(
    () => call("POST", "/api/flags/acceptance/withdrawal", { ids: [id] }),
    () => "It is open again.",
  );
  if (!flag) {
    return <NotHere error={error} all="/flags" allWords="All flags" />;
  }
  return (
    <Leaf
      title={flag.title}
      above={
        <>
          <Link to="/flags">Flags</Link> · {headingOf(flag)}
        </>
      }
      below={localDates(flag.reason)}
      margin={false}
      actions={!flag.gone && <FlagAction flag={flag} />}
    >
      <Line>
        <Subjects flag={flag} />
        <h2 className="section">Standing</h2>
        <p>
          {flag.gone
            ? `It stood from ${moment(flag.since)} until ${moment(flag.gone)}.`
            : `It stands since ${moment(flag.since)}.`}
          {story?.periods.map((period) => (
            <span className="quiet" key={period.since}>
              {" "}
              Before that from {day(period.since)} to {day(period.gone)}.
            </span>
          ))}
        </p>
        {flag.acceptedUntil && (
          <p>
            Accepted until <b>{day(flag.acceptedUntil)}</b> by {people(flag.acceptedBy)}:{" "}
            {flag.acceptedReason}{" "}
            {mayEdit && (
              <Button size="small" disabled={withdraw.isPending} onClick={() => withdraw.mutate(undefined)}>
                Open it again
              </Button>
            )}
          </p>
        )}
        <p>{flag.assignee ? `Handed to ${people(flag.assignee)}.` : "Handed to nobody."}</p>
        {mayEdit && !flag.gone && <Decide chosen={{ ids: [id] }} howMany={1} />}
      </Line>
      <Line>
        <h2 className="section">Comments</h2>
        {story?.comments.map((comment) => (
          <p key={comment.at}>
            <b>{people(comment.by)}</b> <span className="quiet">{moment(comment.at)}</span>
            <br />
            {comment.text}
          </p>
        ))}
        {mayEdit && <NewComment path={`${path}/comments`} />}
      </Line>
      <Line>
        <RecordHistory type="flag" id={id} />
      </Line>
    </Leaf>
  );
}

function NewComment({ path }: { path: string }) {
  const { register, handleSubmit, reset } = useForm({ defaultValues: { text: "" } });
  const add = useChange((text: string) => call("POST", path, { text }));
  const submit = handleSubmit(({ text }) => add.mutate(text, { onSuccess: () => reset() }));
  return (
    <form onSubmit={(event) => void submit(event)} style={{ display: "flex", gap: 14, alignItems: "end" }}>
      <TextField
        label="Say something about it"
        multiline
        sx={{ flex: 1, maxWidth: 560 }}
        {...register("text", { required: true, maxLength: 2000 })}
      />
      <Button type="submit" variant="outlined" disabled={add.isPending}>
        Comment
      </Button>
    </form>
  );
}
