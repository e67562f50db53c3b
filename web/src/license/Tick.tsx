import { useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { Tick as TickOf } from "../shared/parts/Tick";

type Name = "anyDomain" | "anyFormat" | "renews" | "developmentCounts";

/** A yes or no of a license. */
export function Tick({ name, label }: { name: Name; label: string }) {
  const { control } = useFormContext<LicenseDraft>();
  return <TickOf control={control} name={name} label={label} />;
}
