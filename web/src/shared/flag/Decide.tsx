import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { usePresentPeople } from "../account/session";
import { api, bodyOf } from "../api/client";
import { useChange } from "../api/queries";
import type { FlagsWithin } from "../api/types";
import { count, day, isoDay } from "../parts/format";
import { handed, words } from "./words";

/** The flags that a decision is about: those named, or all of a cause that a screen shows. */
export type Chosen =
  { ids: string[]; cause: null; within: null } | { ids: null; cause: string; within: FlagsWithin };

type Props = { chosen: Chosen; howMany: number; size?: "small"; onDone?: () => void };

/** Accepts flags until a day, or hands them to somebody. */
export function Decide({ chosen, howMany, size, onDone }: Props) {
  const [accepting, setAccepting] = useState(false);
  const people = usePresentPeople();
  const assign = useChange({
    of: "flag",
    change: (name: string | null) => bodyOf(api.POST("/api/flags/assignment", { body: { ...chosen, name } })),
    said: (done, name) => handed(done.flags, people.find((person) => person.name === name)?.displayName),
  });
  const done = () => {
    setAccepting(false);
    onDone?.();
  };
  return (
    <span className="decide">
      <Button size={size} variant="outlined" onClick={() => setAccepting(true)}>
        {words.acceptUntil}
      </Button>
      <TextField
        select
        size="small"
        value=""
        label={words.handTo}
        sx={{ minWidth: 120 }}
        disabled={assign.isPending}
        onChange={(event) =>
          assign.mutate(event.target.value === "nobody" ? null : event.target.value, { onSuccess: onDone })
        }
      >
        {people.map((person) => (
          <MenuItem key={person.name} value={person.name}>
            {person.displayName}
          </MenuItem>
        ))}
        <MenuItem value="nobody">{words.nobody}</MenuItem>
      </TextField>
      {accepting && (
        <AcceptDialog
          chosen={chosen}
          howMany={howMany}
          onClose={() => setAccepting(false)}
          onAccepted={done}
        />
      )}
    </span>
  );
}

type DialogProps = { chosen: Chosen; howMany: number; onClose: () => void; onAccepted: () => void };

function AcceptDialog({ chosen, howMany, onClose, onAccepted }: DialogProps) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { until: isoDay(new Date(), 30), reason: "" },
  });
  const accept = useChange({
    of: "flag",
    change: (fields: { until: string; reason: string }) =>
      bodyOf(api.POST("/api/flags/acceptance", { body: { ...chosen, ...fields } })),
    said: (done, fields) => `Accepted ${count(done.flags, "flag")} until ${day(fields.until)}.`,
  });
  const submit = handleSubmit((fields) => accept.mutate(fields, { onSuccess: onAccepted }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="accept-title">
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle id="accept-title">Accept {count(howMany, "flag")}</DialogTitle>
        <DialogContent className="dialog-fields">
          <p className="first">{words.stands}</p>
          <TextField
            type="date"
            label={words.until}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: isoDay(new Date()) } }}
            {...register("until", { required: true })}
          />
          <TextField
            label={words.why}
            multiline
            minRows={2}
            error={!!formState.errors.reason}
            helperText={formState.errors.reason?.message}
            {...register("reason", { required: words.whyNeeded, maxLength: 2000 })}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{words.leaveOpen}</Button>
          <Button type="submit" variant="contained" disabled={accept.isPending}>
            {words.accept}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
