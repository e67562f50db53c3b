import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { Fragment } from "react";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { isWhole } from "../shared/parts/amounts";
import { formatName } from "../shared/parts/format";
import { ClauseField } from "./ClauseField";
import { QuoteField } from "./QuoteField";
import { acts } from "./terms";
import { Tick } from "./Tick";
import { words } from "./words";

const MOST_VIEWS = 1_000_000_000_000;
const formats = ["woff2", "woff", "ttf", "otf"];

/** What a license allows to be done with the files. */
export function RightFields() {
  const { control, register, watch, formState } = useFormContext<LicenseDraft>();
  const anyFormat = watch("anyFormat");
  return (
    <div className="form">
      {acts.map(([name, , point]) => (
        <Fragment key={name}>
          <span className="label">{words[name]}</span>
          <div>
            <ClauseField name={name} label={words[name]} control={control} />
            <QuoteField point={point} of={words[name]} />
          </div>
        </Fragment>
      ))}
      <span className="label">{words.transfer}</span>
      <ClauseField name="transfer" label={words.transfer} control={control} />
      <label className="label" htmlFor="pageViewLimit">
        {words.pageViewLimit}
      </label>
      <TextField
        id="pageViewLimit"
        placeholder={words.noLimit}
        {...register("pageViewLimit", {
          validate: (typed) => isWhole(typed, 1, MOST_VIEWS) || words.limitWrong,
        })}
        error={!!formState.errors.pageViewLimit}
        helperText={formState.errors.pageViewLimit?.message}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
        sx={{ width: 180 }}
      />
      <span className="label">{words.formats}</span>
      <div className="chips">
        <Tick name="anyFormat" label={words.anyFormat} />
        {!anyFormat && (
          <Controller
            name="formats"
            control={control}
            render={({ field }) => (
              <span className="chips">
                {formats.map((format) => (
                  <FormControlLabel
                    key={format}
                    label={formatName(format)}
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
  );
}
