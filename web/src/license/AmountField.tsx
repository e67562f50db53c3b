import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { centsIn, typedCents } from "../shared/parts/format";

type Props = { label: string; cents: number; problem?: string; onChange: (cents: number) => void };

/** An amount of money as it is typed; given on in hundredths, and as no number when it is no amount. */
export function AmountField({ label, cents, problem, onChange }: Props) {
  const [typed, setTyped] = useState(typedCents(cents));
  useEffect(() => {
    setTyped((now) => (centsIn(now) === cents || Number.isNaN(cents) ? now : typedCents(cents)));
  }, [cents]);
  return (
    <TextField
      value={typed}
      error={problem !== undefined}
      helperText={problem}
      slotProps={{ htmlInput: { "aria-label": label, inputMode: "decimal" } }}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(centsIn(event.target.value) ?? Number.NaN);
      }}
      sx={{ width: 130 }}
    />
  );
}
