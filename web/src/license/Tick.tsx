import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";

type Name = "anyDomain" | "anyFormat" | "renews" | "developmentCounts";

/** A yes or no of a license. */
export function Tick({ name, label }: { name: Name; label: string }) {
  const { control } = useFormContext<LicenseDraft>();
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <FormControlLabel
          label={label}
          control={
            <Checkbox
              size="small"
              checked={field.value}
              onChange={(event) => field.onChange(event.target.checked)}
            />
          }
        />
      )}
    />
  );
}
