import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { DomainsField } from "../shared/parts/DomainsField";
import { ClauseField } from "./ClauseField";
import { Tick } from "./Tick";
import { adding, words } from "./words";

/** Where a license holds; `added` is a domain that a flag asked for and that is not saved yet. */
export function DomainFields({ added }: { added?: string | null }) {
  const { control, watch } = useFormContext<LicenseDraft>();
  const anyDomain = watch("anyDomain");
  return (
    <div className="form">
      <span className="label">{words.domains}</span>
      <div>
        <Tick name="anyDomain" label={words.anyDomain} />
        {!anyDomain && (
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
      <span className="label">{words.subdomains}</span>
      <ClauseField name="subdomains" label={words.subdomains} control={control} />
      <span className="label">{words.development}</span>
      <ClauseField name="development" label={words.development} control={control} />
    </div>
  );
}
