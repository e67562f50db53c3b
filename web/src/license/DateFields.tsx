import TextField from "@mui/material/TextField";
import { Controller, useFormContext } from "react-hook-form";
import type { LicenseDraft } from "../shared/api/types";
import { centsIn, isWhole, typedCents } from "../shared/parts/amounts";
import { Choice } from "../shared/parts/Choice";
import { isoDay } from "../shared/parts/format";
import { TypedNumber } from "../shared/parts/TypedNumber";
import { aboutDays, isCurrency } from "./terms";
import { Tick } from "./Tick";
import { perWords, words } from "./words";

const MOST_NOTICE = 3650;
const pers = Object.entries(perWords) as [LicenseDraft["pricePer"], string][];

/** When a license holds and what it costs; of a set of terms only what is not of one purchase. */
export function DateFields({ ofSet }: { ofSet?: boolean }) {
  const { register, control, watch, formState } = useFormContext<LicenseDraft>();
  const { errors } = formState;
  const days = aboutDays(watch("begins"), watch("ends"), isoDay(new Date()));
  return (
    <div className="form">
      <span className="label">{ofSet ? words.notice : words.beginsEnds}</span>
      <div>
        <div className="in-a-row">
          {(ofSet ? [] : (["begins", "ends"] as const)).map((name) => (
            <TextField
              key={name}
              type="date"
              {...register(name)}
              slotProps={{ htmlInput: { "aria-label": words[name] } }}
            />
          ))}
          <TextField
            {...register("noticeDays", {
              validate: (typed) => isWhole(typed, 0, MOST_NOTICE) || words.noticeWrong,
            })}
            error={!!errors.noticeDays}
            slotProps={{ htmlInput: { "aria-label": words.notice, inputMode: "numeric" } }}
            helperText={errors.noticeDays?.message ?? words.noticeHelp}
            sx={{ width: 110 }}
          />
        </div>
        <Tick name="renews" label={words.renews} />
        {days && <p className="ochre">{days}</p>}
      </div>
      <span className="label">{words.price}</span>
      <div className="in-a-row">
        <Controller
          name="price"
          control={control}
          rules={{ validate: (cents) => !Number.isNaN(cents) || words.priceWrong }}
          render={({ field, fieldState }) => (
            <TypedNumber
              label={words.price}
              value={field.value}
              read={centsIn}
              write={typedCents}
              width={130}
              inputRef={field.ref}
              problem={fieldState.error?.message}
              onChange={(cents) => field.onChange(cents ?? 0)}
            />
          )}
        />
        <TextField
          {...register("currency", {
            setValueAs: (typed: string) => typed.trim().toUpperCase(),
            validate: (typed) => isCurrency(typed) || words.currencyWrong,
          })}
          error={!!errors.currency}
          helperText={errors.currency?.message}
          slotProps={{ htmlInput: { "aria-label": words.currency, maxLength: 3 } }}
          sx={{ width: 90 }}
        />
        <Controller
          name="pricePer"
          control={control}
          render={({ field }) => (
            <Choice
              hideLabel
              label={words.pricePer}
              value={field.value}
              options={pers}
              onChange={field.onChange}
            />
          )}
        />
      </div>
      {!ofSet && (
        <>
          <label className="label" htmlFor="nextPayment">
            {words.nextPayment}
          </label>
          <TextField id="nextPayment" type="date" {...register("nextPayment")} sx={{ width: 180 }} />
          <label className="label" htmlFor="proof">
            {words.proof}
          </label>
          <TextField id="proof" placeholder={words.proofHint} {...register("proof")} />
          <span className="label">{words.confirmed}</span>
          <div className="in-a-row">
            <TextField
              placeholder={words.confirmedBy}
              {...register("confirmedBy")}
              slotProps={{ htmlInput: { "aria-label": words.confirmedBy } }}
            />
            <TextField
              type="date"
              {...register("confirmedOn")}
              slotProps={{ htmlInput: { "aria-label": words.confirmedOn } }}
            />
          </div>
        </>
      )}
      <label className="label" htmlFor="notes">
        {words.notes}
      </label>
      <TextField id="notes" multiline {...register("notes")} />
    </div>
  );
}
