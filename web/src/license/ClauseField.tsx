import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Controller, type Control } from "react-hook-form";
import type { Clause, LicenseDraft } from "../shared/api/types";
import { clauseWords } from "./words";

type Name =
  | "webUse"
  | "thirdParty"
  | "inlining"
  | "converting"
  | "cutting"
  | "renaming"
  | "transfer"
  | "subdomains"
  | "development";

const clauses = Object.keys(clauseWords) as Clause[];

type Props = { name: Name; label: string; control: Control<LicenseDraft> };

/** What a license says on one point. */
export function ClauseField({ name, label, control }: Props) {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <ToggleButtonGroup
          exclusive
          size="small"
          className="clause"
          aria-label={label}
          value={field.value}
          onChange={(_, value: Clause | null) => value && field.onChange(value)}
        >
          {clauses.map((clause) => (
            <ToggleButton key={clause} value={clause} className={clause.toLowerCase()}>
              {clauseWords[clause]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
    />
  );
}
