import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api, bodyOf } from "../../shared/api/client";
import { useChange } from "../../shared/api/queries";
import type { LicenseDraft } from "../../shared/api/types";
import { closing, FormDialog } from "../../shared/parts/FormDialog";
import { setName, words } from "./words";

/** Keeps the saved terms of a license as a set that other licenses start from. */
export function KeepAsSet({ terms }: { terms: LicenseDraft }) {
  const [name, setNameTo] = useState<string | null>(null);
  const keep = useChange({
    of: "terms",
    change: (called: string) => bodyOf(api.POST("/api/terms", { body: { ...terms, name: called } })),
    said: () => words.kept,
  });
  return (
    <>
      <Button
        variant="outlined"
        onClick={() => setNameTo(setName(terms.vendor, terms.name, new Date().getFullYear()))}
      >
        {words.keepTitle}
      </Button>
      {name !== null && (
        <FormDialog
          title={words.keepTitle}
          action={words.keep}
          leave={words.leave}
          disabled={!name.trim() || keep.isPending}
          onClose={() => setNameTo(null)}
          onSubmit={() => closing(keep.mutateAsync(name.trim()), () => setNameTo(null))}
        >
          <TextField
            autoFocus
            label={words.setName}
            value={name}
            onChange={(event) => setNameTo(event.target.value)}
          />
          <p className="quiet">{words.whatIsKept}</p>
        </FormDialog>
      )}
    </>
  );
}
