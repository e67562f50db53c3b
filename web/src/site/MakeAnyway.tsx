import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState, type FormEvent } from "react";
import { useMayEdit } from "../shared/account/session";
import type { AskedRow } from "../shared/api/types";
import { notAllowed } from "./packs";
import { useMakePack, usePackMaking } from "./usePack";
import { anywayInWords, words } from "./words";

/** Makes a pack with what is not allowed, for a reason that is kept and stays flagged. */
export function MakeAnyway({ siteId, rows }: { siteId: string; rows: AskedRow[] }) {
  const mayEdit = useMayEdit();
  const running = usePackMaking(siteId)?.running ?? false;
  const make = useMakePack(siteId);
  const [reason, setReason] = useState("");
  const [tried, setTried] = useState(false);
  const faces = notAllowed(rows);
  if (!mayEdit || faces.length === 0) {
    return null;
  }
  const lacks = tried && !reason.trim();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (reason.trim()) {
      make.mutate(reason.trim());
    }
  };
  return (
    <details className="make-anyway">
      <summary>{anywayInWords(faces)}</summary>
      <form onSubmit={submit} className="in-a-row">
        <TextField
          label={words.anywayWhy}
          value={reason}
          helperText={lacks ? words.anywayNeeded : words.anywayHelp}
          error={lacks}
          onChange={(event) => setReason(event.target.value)}
          sx={{ flexGrow: 1 }}
        />
        <Button type="submit" disabled={running || make.isPending}>
          {words.makeAnyway}
        </Button>
      </form>
    </details>
  );
}
