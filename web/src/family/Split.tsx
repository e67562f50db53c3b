import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Family } from "../shared/api/types";
import { closing, FormDialog } from "../shared/parts/FormDialog";
import { useMove } from "./useMove";
import { words } from "./words";

/** Moves some faces of a family to a family of their own, or to one that is there. */
export function Split({ family }: { family: Family }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        {words.split}
      </Button>
      {open && <SplitDialog family={family} onClose={() => setOpen(false)} />}
    </>
  );
}

function SplitDialog({ family, onClose }: { family: Family; onClose: () => void }) {
  const faces = [...new Map(family.files.map((file) => [file.slot.key, file.slot.label] as const))];
  const [leaving, setLeaving] = useState<string[]>([]);
  const [name, setName] = useState("");
  const move = useMove(family);
  const ready = leaving.length > 0 && name.trim() !== "";
  const split = () =>
    closing(
      move.mutateAsync({
        files: family.files.filter((file) => leaving.includes(file.slot.key)).map((file) => file.id),
        family: name.trim(),
      }),
      onClose,
    );
  return (
    <FormDialog
      title={`${words.splitTitle} ${family.name}`}
      action={words.moveThem}
      leave={words.leave}
      disabled={!ready || move.isPending}
      onSubmit={split}
      onClose={onClose}
    >
      <fieldset className="offers">
        <legend>{words.facesThatLeave}</legend>
        {faces.map(([key, label]) => (
          <FormControlLabel
            key={key}
            label={label}
            control={
              <Checkbox
                size="small"
                checked={leaving.includes(key)}
                onChange={(event) =>
                  setLeaving(event.target.checked ? [...leaving, key] : leaving.filter((one) => one !== key))
                }
              />
            }
          />
        ))}
      </fieldset>
      <TextField label={words.toFamily} value={name} onChange={(event) => setName(event.target.value)} />
      <p className="quiet small">{words.splitHelp}</p>
    </FormDialog>
  );
}
