import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useEffect, useState, type ReactNode } from "react";
import { Controller, useForm, type Control } from "react-hook-form";
import { useMayEdit } from "../account/session";
import { FamilyChoice } from "../family/FamilyChoice";
import { fieldWords } from "../history/words";
import type { LicenseDraft } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { named } from "../shared/parts/autocomplete";
import { Conflict } from "../shared/parts/Conflict";
import { formatLabels } from "../shared/parts/format";
import { useBeforeLeaving } from "../shared/parts/useBeforeLeaving";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { ClauseField } from "./ClauseField";
import { kindWords, termInWords } from "./words";

type Notes = { covers?: ReactNode; rights?: ReactNode; domains?: ReactNode; dates?: ReactNode };

type Props = {
  terms: LicenseDraft;
  /** The version that is edited, or undefined for a license that is not recorded yet. */
  version?: number;
  licenseId?: string;
  /** A domain that a flag asks to add; it stands in the form, to be saved. */
  domain?: string | null;
  familyNames: Record<string, string>;
  saveLabel: string;
  onSave: (draft: LicenseDraft) => Promise<boolean>;
  notes: Notes;
};

/** What a license covers and says. Every clause is granted, refused or not stated. */
export function LicenseForm(props: Props) {
  const { terms, saveLabel, notes, domain } = props;
  const form = useForm<LicenseDraft>({ defaultValues: terms });
  const { register, control, handleSubmit, watch, formState, getValues, setValue } = form;
  const { conflict, resolve, saved } = useMergedForm(form, terms, props.version ?? 0);
  const mayEdit = useMayEdit();
  const anyDomain = watch("anyDomain");
  const anyFormat = watch("anyFormat");
  const [familyNames, setFamilyNames] = useState(props.familyNames);
  useEffect(() => {
    if (domain && !getValues("domains").includes(domain)) {
      setValue("domains", [...getValues("domains"), domain], { shouldDirty: true });
    }
  }, [domain, getValues, setValue]);
  const save = handleSubmit(async (draft) => {
    const kept = await props.onSave({
      ...draft,
      begins: draft.begins || null,
      ends: draft.ends || null,
      noticeDays: Number(draft.noticeDays ?? 30),
      price: Math.round(Number(draft.price ?? 0)),
    });
    if (kept) {
      saved();
    }
  });
  const dirty = formState.isDirty;
  useBeforeLeaving(dirty);
  return (
    <form onSubmit={(event) => void save(event)}>
      {conflict && (
        <Line>
          <Conflict
            conflict={conflict}
            subjectType="license"
            subjectId={props.licenseId ?? ""}
            names={fieldWords}
            words={(field, value) =>
              field === "covers"
                ? (value as LicenseDraft["covers"])
                    .map((c) => familyNames[c.familyId] ?? c.familyId)
                    .join(", ")
                : termInWords(field, value)
            }
            onMerge={resolve}
          />
        </Line>
      )}
      <Line notes={notes.covers}>
        <h2 className="section">What it is</h2>
        <div className="form">
          <label className="label" htmlFor="name">
            Name
          </label>
          <TextField
            id="name"
            {...register("name", { required: "A license needs a name." })}
            error={!!formState.errors.name}
            helperText={formState.errors.name?.message}
          />
          <span className="label">Basis</span>
          <Controller
            name="kind"
            control={control}
            render={({ field }) => (
              <TextField select {...field} slotProps={{ htmlInput: { "aria-label": "Basis" } }}>
                {Object.entries(kindWords).map(([kind, words]) => (
                  <MenuItem key={kind} value={kind}>
                    {words}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
          <label className="label" htmlFor="vendor">
            Vendor
          </label>
          <TextField id="vendor" {...register("vendor")} />
          <span className="label">Covers</span>
          <Controller
            name="covers"
            control={control}
            render={({ field }) => (
              <FamilyChoice
                label="Covers"
                chosen={field.value.map((covered) => ({
                  id: covered.familyId,
                  name: familyNames[covered.familyId] ?? "…",
                }))}
                onChange={(chosen) => {
                  setFamilyNames({
                    ...familyNames,
                    ...Object.fromEntries(chosen.map((family) => [family.id, family.name])),
                  });
                  field.onChange(
                    chosen.map(
                      (family) =>
                        field.value.find((covered) => covered.familyId === family.id) ?? {
                          familyId: family.id,
                          faces: [],
                        },
                    ),
                  );
                }}
              />
            )}
          />
        </div>
      </Line>
      <Line notes={notes.rights}>
        <h2 className="section">What it allows</h2>
        <div className="form">
          <span className="label">Use on web pages</span>
          <ClauseField name="webUse" label="Use on web pages" control={control} />
          <span className="label">Converting</span>
          <ClauseField name="converting" label="Converting" control={control} />
          <span className="label">Formats</span>
          <div className="chips">
            <Tick name="anyFormat" label="any format" control={control} />
            {!anyFormat && (
              <Controller
                name="formats"
                control={control}
                render={({ field }) => (
                  <span className="chips" style={{ display: "inline-flex" }}>
                    {["woff2", "woff", "ttf", "otf"].map((format) => (
                      <FormControlLabel
                        key={format}
                        label={formatLabels[format]}
                        control={
                          <Checkbox
                            size="small"
                            checked={field.value.includes(format)}
                            onChange={(event) =>
                              field.onChange(
                                event.target.checked
                                  ? [...field.value, format]
                                  : field.value.filter((other) => other !== format),
                              )
                            }
                          />
                        }
                      />
                    ))}
                  </span>
                )}
              />
            )}
          </div>
        </div>
      </Line>
      <Line id="domains" notes={notes.domains}>
        <h2 className="section">Where</h2>
        <div className="form">
          <span className="label">Domains</span>
          <div>
            <Tick name="anyDomain" label="any domain" control={control} />
            {!anyDomain && (
              <Controller
                name="domains"
                control={control}
                render={({ field }) => (
                  <Autocomplete
                    multiple
                    freeSolo
                    autoSelect
                    options={[] as string[]}
                    value={field.value}
                    onChange={(_, value) => field.onChange(value)}
                    renderInput={(params) => (
                      <TextField
                        {...params}
                        variant="standard"
                        slotProps={named(params, "Domains")}
                        placeholder={field.value.length === 0 ? "client.example, Enter" : ""}
                        helperText="A domain stands for itself and its www; *.client.example for every host below it."
                      />
                    )}
                  />
                )}
              />
            )}
          </div>
          <span className="label">Subdomains</span>
          <ClauseField name="subdomains" label="Subdomains" control={control} />
          <span className="label">Local and staging</span>
          <ClauseField name="development" label="Local and staging" control={control} />
        </div>
      </Line>
      <Line id="dates" notes={notes.dates}>
        <h2 className="section">When and how much</h2>
        <div className="form">
          <span className="label">Begins, ends</span>
          <div style={{ display: "flex", gap: 18 }}>
            <TextField
              type="date"
              {...register("begins")}
              slotProps={{ htmlInput: { "aria-label": "Begins" } }}
            />
            <TextField
              type="date"
              {...register("ends")}
              slotProps={{ htmlInput: { "aria-label": "Ends" } }}
            />
            <TextField
              type="number"
              {...register("noticeDays")}
              slotProps={{ htmlInput: { "aria-label": "Days of notice", min: 0 } }}
              helperText="days of notice"
              sx={{ width: 110 }}
            />
          </div>
          <span className="label">Price</span>
          <div style={{ display: "flex", gap: 18 }}>
            <Controller
              name="price"
              control={control}
              render={({ field }) => (
                <TextField
                  type="number"
                  slotProps={{ htmlInput: { "aria-label": "Price", step: "0.01", min: 0 } }}
                  defaultValue={field.value ? field.value / 100 : ""}
                  onChange={(event) => field.onChange(Math.round(Number(event.target.value) * 100))}
                  sx={{ width: 120 }}
                />
              )}
            />
            <TextField
              {...register("currency")}
              slotProps={{ htmlInput: { "aria-label": "Currency" } }}
              sx={{ width: 70 }}
            />
          </div>
          <label className="label" htmlFor="proof">
            Proof of purchase
          </label>
          <TextField id="proof" placeholder="Order or invoice number" {...register("proof")} />
          <label className="label" htmlFor="notes">
            Notes
          </label>
          <TextField id="notes" multiline {...register("notes")} />
        </div>
        <div className="savebar">
          <Button
            type="submit"
            variant="contained"
            disabled={
              !mayEdit || !!conflict || formState.isSubmitting || (props.version !== undefined && !dirty)
            }
          >
            {saveLabel}
          </Button>
          {dirty && <span className="quiet">Not saved yet.</span>}
        </div>
      </Line>
    </form>
  );
}

function Tick({
  name,
  label,
  control,
}: {
  name: "anyDomain" | "anyFormat";
  label: string;
  control: Control<LicenseDraft>;
}) {
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
