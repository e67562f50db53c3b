import Button from "@mui/material/Button";
import { useState } from "react";
import { usePeople } from "../account/session";
import { useGet } from "../api/queries";
import type { Merged } from "./merge";
import { moment, plainly } from "./format";

type Props<T extends object> = {
  conflict: Merged<T>;
  subjectType: string;
  subjectId: string;
  /** What the fields are called, and how a value of one is said in words. */
  names: Record<string, string>;
  words?: (field: string, value: unknown) => string;
  onMerge: (value: T) => void;
};

/** Somebody else changed what one is editing: what changed, and a choice where both changed the same. */
export function Conflict<T extends object>(props: Props<T>) {
  const { conflict, names, words = (_field, value) => plainly(value) } = props;
  const [chosen, setChosen] = useState<Record<string, "mine" | "theirs">>({});
  const people = usePeople();
  const latest = useGet("/api/history", {
    query: { type: props.subjectType, subject: props.subjectId, limit: 1 },
  }).data?.items[0];
  const open = conflict.collisions.filter((collision) => !chosen[collision.field]).length;
  const merged = () => {
    const value = { ...conflict.value } as Record<string, unknown>;
    for (const collision of conflict.collisions) {
      value[collision.field] = chosen[collision.field] === "theirs" ? collision.theirs : collision.mine;
    }
    props.onMerge(value as T);
  };
  return (
    <section className="conflict" role="alertdialog" aria-labelledby="conflict-title">
      <h2 id="conflict-title">
        {latest ? people(latest.by) : "Somebody"} changed this while you were editing
        {latest && <small>{moment(latest.at)}</small>}
      </h2>
      {conflict.taken.length > 0 && (
        <p>
          Changed there and not by you: {conflict.taken.map((field) => names[field] ?? field).join(", ")}.
          What you typed in other fields is kept.
        </p>
      )}
      {conflict.collisions.map((collision) => (
        <fieldset key={collision.field}>
          <legend>{names[collision.field] ?? collision.field} was changed by both</legend>
          {(["mine", "theirs"] as const).map((side) => (
            <label key={side}>
              <input
                type="radio"
                name={collision.field}
                checked={chosen[collision.field] === side}
                onChange={() => setChosen({ ...chosen, [collision.field]: side })}
              />
              <span className="side">{side === "mine" ? "Yours" : "Theirs"}</span>
              <span>{words(collision.field, collision[side]) || "nothing"}</span>
            </label>
          ))}
        </fieldset>
      ))}
      <Button variant="contained" disabled={open > 0} onClick={merged}>
        Merge, then save
      </Button>
      {open > 0 && <span className="quiet"> Choose what holds first.</span>}
    </section>
  );
}
