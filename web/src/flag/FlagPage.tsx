import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useForm } from "react-hook-form";
import { Link, useParams } from "react-router";
import { useMayEdit, usePeople } from "../shared/account/session";
import { api } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { Decide } from "../shared/flag/Decide";
import { FlagAction } from "../shared/flag/FlagNote";
import { Subjects } from "../shared/flag/FlagRow";
import { headingOf } from "../shared/flag/words";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Leaf, Line } from "../shared/layout/Leaf";
import { day, moment } from "../shared/parts/format";
import { useUnsaved } from "../shared/parts/unsaved";
import { NotHere } from "../shared/states/NotHere";
import { Shown } from "../shared/states/States";
import { earlier, standing, words } from "./words";

/** One flag: what it says, since when, what was decided about it, and what people said. */
export function FlagPage() {
  const { id = "" } = useParams();
  const { data: flag, error, refetch } = useGet("/api/flags/{id}", { path: { id } });
  const story = useGet("/api/flags/{id}/story", { path: { id } });
  const people = usePeople();
  const mayEdit = useMayEdit();
  const withdraw = useChange({
    of: "flag",
    change: () =>
      api.POST("/api/flags/acceptance/withdrawal", { body: { ids: [id], cause: null, within: null } }),
    said: () => words.opened,
  });
  if (!flag) {
    return <NotHere error={error} again={() => void refetch()} all="/flags" allWords={words.all} />;
  }
  return (
    <Leaf
      title={flag.title}
      above={
        <>
          <Link to="/flags">{words.title}</Link> · {headingOf(flag)}
        </>
      }
      below={flag.reason}
      margin={false}
      actions={!flag.gone && <FlagAction flag={flag} />}
    >
      <Line>
        <Subjects flag={flag} />
        <h2 className="section">{words.standing}</h2>
        <p>
          {standing(flag)}
          {story.data?.periods.map((period) => (
            <span className="quiet" key={period.since}>
              {" "}
              {earlier(period)}
            </span>
          ))}
        </p>
        {flag.acceptedUntil && (
          <p>
            Accepted until <b>{day(flag.acceptedUntil)}</b> by {people(flag.acceptedBy)}:{" "}
            {flag.acceptedReason}{" "}
            {mayEdit && (
              <Button size="small" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
                {words.openAgain}
              </Button>
            )}
          </p>
        )}
        <p>{flag.assignee ? `Assigned to ${people(flag.assignee)}.` : words.toNobody}</p>
        {mayEdit && !flag.gone && <Decide chosen={{ ids: [id], cause: null, within: null }} howMany={1} />}
      </Line>
      <Line>
        <h2 className="section">{words.comments}</h2>
        <Shown of={story} lines={2}>
          {({ comments }) =>
            comments.map((comment) => (
              <p key={comment.at}>
                <b>{people(comment.by)}</b> <span className="quiet">{moment(comment.at)}</span>
                <br />
                {comment.text}
              </p>
            ))
          }
        </Shown>
        {mayEdit && <NewComment id={id} />}
      </Line>
      <Line>
        <RecordHistory type="flag" id={id} />
      </Line>
    </Leaf>
  );
}

function NewComment({ id }: { id: string }) {
  const { register, handleSubmit, reset, formState } = useForm({ defaultValues: { text: "" } });
  const add = useChange({
    of: "flag",
    change: (text: string) =>
      api.POST("/api/flags/{id}/comments", { params: { path: { id } }, body: { text } }),
  });
  useUnsaved(formState.isDirty && !formState.isSubmitting);
  const submit = handleSubmit(({ text }) => add.mutate(text, { onSuccess: () => reset() }));
  return (
    <form onSubmit={(event) => void submit(event)} className="in-a-row">
      <TextField
        label={words.sayIt}
        multiline
        className="grows"
        {...register("text", { required: true, maxLength: 2000 })}
      />
      <Button type="submit" variant="outlined" disabled={add.isPending}>
        {words.comment}
      </Button>
    </form>
  );
}
