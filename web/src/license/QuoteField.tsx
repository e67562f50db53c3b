import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { words } from "./words";

/** The sentence of the agreement that says what is said of an act; shown once there is one, or when it is asked for. */
export function QuoteField({ point, of }: { point: string; of: string }) {
  const { register, watch } = useFormContext<LicenseDraft>();
  const [open, setOpen] = useState(false);
  if (!open && !watch(`quotes.${point}.text`)) {
    return (
      <Button size="small" onClick={() => setOpen(true)} aria-label={`${words.quote}: ${of}`}>
        {words.quote}
      </Button>
    );
  }
  return (
    <div className="in-a-row quote">
      <TextField
        multiline
        fullWidth
        placeholder={words.quoteHint}
        {...register(`quotes.${point}.text`)}
        slotProps={{ htmlInput: { "aria-label": `${words.quote}: ${of}` } }}
      />
      <TextField
        placeholder={words.quotePlace}
        {...register(`quotes.${point}.place`)}
        slotProps={{ htmlInput: { "aria-label": `${words.quotePlace}: ${of}` } }}
        sx={{ width: 200 }}
      />
    </div>
  );
}
