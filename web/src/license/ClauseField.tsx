import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Controller, type Control } from "react-hook-form";
import type { Clause, LicenseDraft } from "../shared/api/types";

type Name = "webUse" | "converting" | "subdomains" | "development";

const choices: [Clause, string, string][] = [
  ["GRANTED", "✓ Granted", "var(--allowed)"],
  ["REFUSED", "✕ Refused", "var(--ink)"],
  ["NOT_STATED", "? Not stated", "var(--soon)"],
];

/** What a license says on one point. */
export function ClauseField({
  name,
  label,
  control,
}: {
  name: Name;
  label: string;
  control: Control<LicenseDraft>;
}) {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label={label}
          value={field.value}
          onChange={(_, value: Clause | null) => value && field.onChange(value)}
        >
          {choices.map(([value, words, color]) => (
            <ToggleButton
              key={value}
              value={value}
              sx={{ "&.Mui-selected, &.Mui-selected:hover": { color } }}
            >
              {words}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
    />
  );
}
