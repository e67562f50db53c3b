import TextField from "@mui/material/TextField";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { Choice } from "../shared/parts/Choice";
import { FamilyChoice, type NamedRecord } from "../shared/parts/RecordChoice";
import { useClients } from "../shared/parts/useClients";
import { basisWords, openLicenses, presumed, words } from "./words";

const bases = Object.entries(basisWords) as [LicenseDraft["basis"], string][];

type Names = Record<string, string>;

/** What a license is and which families it covers. */
export function SubjectFields(props: { familyNames: Names; onNamed: (names: Names) => void }) {
  const { register, control, watch, formState } = useFormContext<LicenseDraft>();
  const basis = watch("basis");
  const clients = useClients().data ?? [];
  const { familyNames } = props;
  const covering = (chosen: NamedRecord[], before: LicenseDraft["covers"]) => {
    props.onNamed(Object.fromEntries(chosen.map((family) => [family.id, family.name])));
    return chosen.map(
      (family) =>
        before.find((covered) => covered.familyId === family.id) ?? { familyId: family.id, faces: [] },
    );
  };
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
      <Controller
        name="covers"
        control={control}
        render={({ field }) => (
          <FamilyChoice
            label={words.covers}
            chosen={field.value.map(({ familyId }) => ({ id: familyId, name: familyNames[familyId] ?? "…" }))}
            onChange={(chosen) => field.onChange(covering(chosen, field.value))}
          />
        )}
      />
    </div>
  );
}
