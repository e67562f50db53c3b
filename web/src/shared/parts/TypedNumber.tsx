import TextField from "@mui/material/TextField";
import { useEffect, useState, type Ref } from "react";
import type { Typed } from "./amounts";

type Props = {
  id?: string;
  /** Its name, where no label stands beside it. */
  label?: string;
  value: number | null;
  /** Reads what was typed, and writes a value as it is typed. */
  read: (typed: string) => Typed;
  write: (value: number | null) => string;
  problem?: string;
  width?: number;
  inputRef?: Ref<HTMLInputElement>;
  /** Given null for an empty field, and no number (NaN) for what cannot be read, which keeps a form from being saved. */
  onChange: (value: number | null) => void;
};

/** A number of a form that stands as it was typed. */
export function TypedNumber({ id, label, value, read, write, problem, width, inputRef, onChange }: Props) {
  const [typed, setTyped] = useState(write(value));
  useEffect(() => {
    setTyped((now) => (Number.isNaN(value) || (read(now) ?? null) === value ? now : write(value)));
  }, [value, read, write]);
  return (
    <TextField
      id={id}
      inputRef={inputRef}
      value={typed}
      error={problem !== undefined}
      helperText={problem}
      slotProps={{ htmlInput: { "aria-label": label, inputMode: "decimal" } }}
      onChange={(event) => {
        setTyped(event.target.value);
        const value = read(event.target.value);
        onChange(value === undefined ? Number.NaN : value);
      }}
      sx={{ width }}
    />
  );
}
