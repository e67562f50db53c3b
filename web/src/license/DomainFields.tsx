import TextField from "@mui/material/TextField";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { isWhole } from "../shared/parts/amounts";
import { Choice } from "../shared/parts/Choice";
import { DomainsField } from "../shared/parts/DomainsField";
import { ClauseField } from "./ClauseField";
import { Tick } from "./Tick";
import { adding, countingWords, words } from "./words";

const MOST_DOMAINS = 1_000_000;
const countings = Object.entries(countingWords) as [LicenseDraft["counting"], string][];

/**
 * Where a license holds; `added` is a domain that a flag asked for and that is not saved yet. A set of terms names no
 * domains, as they belong to one purchase.
 */
export function DomainFields({ added, ofSet }: { added?: string | null; ofSet?: boolean }) {
  const { control, register, watch, formState } = useFormContext<LicenseDraft>();
  const anyDomain = watch("anyDomain");
  return (
    <div className="form">
      <span className="label">{words.domains}</span>
      <div>
        <Tick name="anyDomain" label={words.anyDomain} />
        {!anyDomain && !ofSet && (
          <Controller
            name="domains"
            control={control}
            render={({ field }) => (
              <DomainsField
                label={words.domains}
                value={field.value}
                onChange={field.onChange}
                placeholder={words.domainsHint}
                help={words.domainsHelp}
              />
            )}
          />
        )}
        {added && <p className="ochre">{adding(added)}</p>}
      </div>
      {!anyDomain && (
        <>
          <label className="label" htmlFor="domainLimit">
            {words.domainLimit}
          </label>
          <div className="in-a-row">
            <TextField
              id="domainLimit"
              placeholder={words.noLimit}
              {...register("domainLimit", {
                validate: (typed) => isWhole(typed, 1, MOST_DOMAINS) || words.limitWrong,
              })}
              error={!!formState.errors.domainLimit}
              helperText={formState.errors.domainLimit?.message ?? words.domainLimitHelp}
              slotProps={{ htmlInput: { inputMode: "numeric" } }}
              sx={{ width: 180 }}
            />
            {watch("domainLimit") && (
              <Controller
                name="counting"
                control={control}
                render={({ field }) => (
                  <Choice
                    label={words.counting}
                    value={field.value}
                    options={countings}
                    onChange={field.onChange}
                  />
                )}
              />
            )}
          </div>
        </>
      )}
      <span className="label">{words.subdomains}</span>
      <ClauseField name="subdomains" label={words.subdomains} control={control} />
      <span className="label">{words.development}</span>
      <div>
        <ClauseField name="development" label={words.development} control={control} />
        {watch("domainLimit") && <Tick name="developmentCounts" label={words.developmentCounts} />}
      </div>
    </div>
  );
}
