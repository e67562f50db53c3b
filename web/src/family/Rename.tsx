import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family } from "../shared/api/types";
import { words } from "./words";

/** Gives a family another name in the inventory; its files stay as they came. */
export function Rename({ family }: { family: Family }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        {words.rename}
      </Button>
      {open && <RenameDialog family={family} onClose={() => setOpen(false)} />}
    </>
  );
}

function RenameDialog({ family, onClose }: { family: Family; onClose: () => void }) {
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: family.name } });
  const rename = useChange({
    of: "family",
    change: (name: string) =>
      bodyOf(
        api.PUT("/api/families/{id}", {
          params: { path: { id: family.id }, header: editing(family.version) },
          body: { name },
        }),
      ),
    said: () => words.renamed,
  });
  const submit = handleSubmit(({ name }) => rename.mutate(name.trim(), { onSettled: onClose }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="rename-title">
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle id="rename-title">Rename {family.name}</DialogTitle>
        <DialogContent>
          <TextField
            label={words.name}
            fullWidth
            autoFocus
            error={!!formState.errors.name}
            helperText={formState.errors.name?.message}
            {...register("name", { required: words.nameNeeded, maxLength: 300 })}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{words.keepName}</Button>
          <Button type="submit" variant="contained" disabled={rename.isPending}>
            {words.rename}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
