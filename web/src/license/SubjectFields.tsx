import TextField from "@mui/material/TextField";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { Choice } from "../shared/parts/Choice";
import { useClients } from "../shared/parts/useClients";
import { CoveredFields } from "./CoveredFields";
import { basisWords, openLicenses, presumed, words } from "./words";

const bases = Object.entries(basisWords) as [LicenseDraft["basis"], string][];

type Names = Record<string, string>;

/** What a license is, who holds it and what it covers; the last two are not for a set of terms. */
export function SubjectFields(props: {
  familyNames: Names;
  onNamed: (names: Names) => void;
  ofSet?: boolean;
}) {
  const { register, control, watch, formState } = useFormContext<LicenseDraft>();
  const basis = watch("basis");
  const clients = useClients().data ?? [];
  return (
    <div className="form">
      <label className="label" htmlFor="name">
        {words.name}
      </label>
      <TextField
        id="name"
        {...register("name", { required: words.nameNeeded })}
        error={!!formState.errors.name}
        helperText={formState.errors.name?.message}
      />
      <span className="label">{words.basis}</span>
      <Controller
        name="basis"
        control={control}
        render={({ field }) => (
          <Choice
            hideLabel
            label={words.basis}
            value={field.value}
            options={bases}
            onChange={field.onChange}
          />
        )}
      />
      {basis === "OPEN" && (
        <>
          <span className="label">{words.spdx}</span>
          <Controller
            name="spdx"
            control={control}
            render={({ field }) => (
              <Choice
                hideLabel
                label={words.spdx}
                value={field.value}
                options={[["", words.spdxNone], ...openLicenses.map((spdx) => [spdx, spdx] as const)]}
                onChange={field.onChange}
              />
            )}
          />
        </>
      )}
      {presumed[basis] && (
        <>
          <span className="label" />
          <p className="quiet first">{presumed[basis]}</p>
        </>
      )}
      <label className="label" htmlFor="vendor">
        {words.vendor}
      </label>
      <TextField id="vendor" {...register("vendor")} />
      {!props.ofSet && (
        <>
          <span className="label">{words.holder}</span>
          <Controller
            name="holderId"
            control={control}
            render={({ field }) => (
              <Choice
                hideLabel
                label={words.holder}
                value={field.value ?? ""}
                options={[["", words.agency], ...clients.map((client) => [client.id, client.name] as const)]}
                onChange={(id) => field.onChange(id || null)}
              />
            )}
          />
          <span className="label">{words.covers}</span>
          <CoveredFields names={props.familyNames} onNamed={props.onNamed} />
        </>
      )}
    </div>
  );
}
