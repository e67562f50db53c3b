import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useForm } from "react-hook-form";
import { useState } from "react";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Person } from "../shared/api/types";
import { count, day, isoDay } from "../shared/parts/format";

/** The flags that a decision is about: those named, or all that stand for a cause. */
export type Chosen = { ids: string[] } | { cause: string };

type Props = { chosen: Chosen; howMany: number; size?: "small"; onDone?: () => void };

/** Accepts flags until a day, or hands them to somebody. */
export function Decide({ chosen, howMany, size, onDone }: Props) {
  const [accepting, setAccepting] = useState(false);
  const people = (useOne<Person[]>("/api/people").data ?? []).filter((person) => !person.removed);
  const assign = useChange(
    (name: string | null) => call<{ flags: number }>("POST", "/api/flags/assignment", { ...chosen, name }),
    (done, name) =>
      name
        ? `Handed ${count(done.flags, "flag")} to ${people.find((person) => person.name === name)?.displayName}.`
        : `Handed ${count(done.flags, "flag")} to nobody.`,
  );
  return (
    <span className="decide">
      <Button size={size} variant="outlined" onClick={() => setAccepting(true)}>
        Accept until …
      </Button>
      <TextField
        select
        size="small"
        value=""
        label="Hand to"
        sx={{ minWidth: 120 }}
        disabled={assign.isPending}
        onChange={(event) => {
          assign.mutate(event.target.value === "nobody" ? null : event.target.value);
          onDone?.();
        }}
      >
        {people.map((person) => (
          <MenuItem key={person.name} value={person.name}>
            {person.displayName}
          </MenuItem>
        ))}
        <MenuItem value="nobody">Nobody</MenuItem>
      </TextField>
      {accepting && (
        <AcceptDialog
          chosen={chosen}
          howMany={howMany}
          onClose={() => {
            setAccepting(false);
            onDone?.();
          }}
        />
      )}
    </span>
  );
}

function AcceptDialog({ chosen, howMany, onClose }: Props & { onClose: () => void }) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { until: isoDay(new Date(), 30), reason: "" },
  });
  const accept = useChange(
    (fields: { until: string; reason: string }) =>
      call<{ flags: number }>("POST", "/api/flags/acceptance", { ...chosen, ...fields }),
    (done, fields) => `Accepted ${count(done.flags, "flag")} until ${day(fields.until)}.`,
  );
  const submit = handleSubmit((fields) => accept.mutate(fields, { onSuccess: onClose }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="accept-title">
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle id="accept-title">Accept {count(howMany, "flag")}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 2 }}>
          <p style={{ margin: 0 }}>
            It stands aside until that day, and comes back the day after unless its cause is gone.
          </p>
          <TextField
            type="date"
            label="Until"
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: isoDay(new Date()) } }}
            {...register("until", { required: true })}
          />
          <TextField
            label="Why"
            multiline
            minRows={2}
            error={!!formState.errors.reason}
            helperText={formState.errors.reason?.message}
            {...register("reason", { required: "Say why, for those who look at it later.", maxLength: 2000 })}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it open</Button>
          <Button type="submit" variant="contained" disabled={accept.isPending}>
            Accept
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
