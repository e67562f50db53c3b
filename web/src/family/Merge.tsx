import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family } from "../shared/api/types";
import { OneFamilyChoice, type NamedRecord } from "../shared/parts/RecordChoice";
import { merging, words } from "./words";

/** Merges a family into another that is the same one: its files, and the sites and licenses that name it, go there. */
export function Merge({ family }: { family: Family }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [into, setInto] = useState<NamedRecord | null>(null);
  const merge = useChange({
    of: "family",
    change: async (target: NamedRecord) => {
      const merged = await bodyOf(
        api.POST("/api/families/{id}/merge", {
          params: { path: { id: family.id }, header: editing(family.version) },
          body: { into: target.id },
        }),
      );
      await navigate(`/families/${target.id}/files`);
      return merged;
    },
    said: ({ undoable, historyId }, { name }) => {
      const text = `Merged ${family.name} into ${name}.`;
      return undoable ? { text, undo: historyId } : `${text} ${words.noUndo}`;
    },
  });
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        {words.merge}
      </Button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="xs" aria-labelledby="merge-title">
          <DialogTitle id="merge-title">
            {words.mergeTitle} {family.name}
          </DialogTitle>
          <DialogContent className="dialog-fields">
            <OneFamilyChoice label={words.into} placeholder={words.into} chosen={into} onChange={setInto} />
            <p>{merging(family)}</p>
            {into?.id === family.id && <p className="ochre">{words.anotherFamily}</p>}
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(false)}>{words.leave}</Button>
            <Button
              variant="contained"
              disabled={!into || into.id === family.id || merge.isPending}
              onClick={() => into && merge.mutate(into, { onSettled: () => setOpen(false) })}
            >
              {words.mergeNow}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
