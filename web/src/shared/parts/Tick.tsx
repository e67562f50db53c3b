import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { Controller, type Control, type FieldPathByValue, type FieldValues } from "react-hook-form";

type Props<T extends FieldValues> = {
  control: Control<T>;
  name: FieldPathByValue<T, boolean>;
  label: string;
};

/** A yes or no of a form. */
export function Tick<T extends FieldValues>({ control, name, label }: Props<T>) {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => <TickBox label={label} checked={field.value} onChange={field.onChange} />}
    />
  );
}

type BoxProps = {
  label: string;
  checked: boolean;
  disabled?: boolean;
  onChange: (checked: boolean) => void;
};

/** A yes or no by itself. */
export function TickBox({ label, checked, disabled, onChange }: BoxProps) {
  return (
    <FormControlLabel
      label={label}
      control={
        <Checkbox size="small" checked={checked} disabled={disabled} onChange={(_, now) => onChange(now)} />
      }
    />
  );
}
