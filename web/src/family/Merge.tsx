import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family } from "../shared/api/types";
import { closing, FormDialog } from "../shared/parts/FormDialog";
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
        <FormDialog
          title={`${words.mergeTitle} ${family.name}`}
          action={words.mergeNow}
          leave={words.leave}
          disabled={!into || into.id === family.id || merge.isPending}
          onSubmit={() => closing(into ? merge.mutateAsync(into) : Promise.resolve(), () => setOpen(false))}
          onClose={() => setOpen(false)}
        >
          <OneFamilyChoice label={words.into} placeholder={words.into} chosen={into} onChange={setInto} />
          <p>{merging(family)}</p>
          {into?.id === family.id && <p className="ochre">{words.anotherFamily}</p>}
        </FormDialog>
      )}
    </>
  );
}
