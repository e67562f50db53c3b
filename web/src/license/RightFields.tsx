import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { formatName } from "../shared/parts/format";
import { ClauseField } from "./ClauseField";
import { Tick } from "./Tick";
import { words } from "./words";

const formats = ["woff2", "woff", "ttf", "otf"];

/** What a license allows to be done with the files. */
export function RightFields() {
  const { control, watch } = useFormContext<LicenseDraft>();
  const anyFormat = watch("anyFormat");
  return (
    <div className="form">
      <span className="label">{words.webUse}</span>
      <ClauseField name="webUse" label={words.webUse} control={control} />
      <span className="label">{words.converting}</span>
      <ClauseField name="converting" label={words.converting} control={control} />
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
