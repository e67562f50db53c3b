import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type ReactNode } from "react";
import { Controller, useForm, type Control } from "react-hook-form";
import { useMayEdit } from "../../shared/account/session";
import type { Delivery, Site } from "../../shared/api/types";
import { named } from "../../shared/parts/autocomplete";
import { bytesIn, typedKilobytes } from "../../shared/parts/amounts";
import { Choice, type Option } from "../../shared/parts/Choice";
import { Conflict } from "../../shared/parts/Conflict";
import { Tick } from "../../shared/parts/Tick";
import { useUnsaved } from "../../shared/parts/unsaved";
import { TypedNumber } from "../../shared/parts/TypedNumber";
import { useMergedForm } from "../../shared/parts/useMergedForm";
import { languageIn, languageName, offeredLanguages, sampleLine, treeOf } from "./delivery";
import { Addresses } from "./Addresses";
import {
  browserWords,
  deliveryInWords,
  fieldNames,
  formats,
  kindWords,
  nameWords,
  shapeWords,
  words,
} from "./words";

type Props = { site: Site; onSave: (delivery: Delivery) => Promise<boolean> };

/** What a site's fonts are cut to and how its host takes them, with what comes out of it shown while it is described. */
export function DeliveryForm({ site, onSave }: Props) {
  const mayEdit = useMayEdit();
  const form = useForm<Delivery>({ defaultValues: site.delivery });
  const { control, register, handleSubmit, watch, setValue, formState } = form;
  const { conflict, resolve, saved } = useMergedForm(form, site.delivery, site.version);
  const { isDirty, isSubmitting } = formState;
  useUnsaved(isDirty && !isSubmitting);
  const now = watch();
  const save = handleSubmit(async (delivery) => {
    if (await onSave(delivery)) {
      saved();
    }
  });
  return (
    <form onSubmit={(event) => void save(event)}>
      {conflict && (
        <Conflict
          conflict={conflict}
          subjectType="site"
          subjectId={site.id}
          names={fieldNames}
          onMerge={resolve}
        />
      )}
      <p className="first">{deliveryInWords(now)}</p>
      <h2 className="section">
        {words.cut} <small>{words.cutIs}</small>
      </h2>
      <div className="form">
        <Field id="languages" label={words.languages} help={words.languagesHelp}>
          <Controller
            name="languages"
            control={control}
            render={({ field }) => (
              <Autocomplete
                id="languages"
                multiple
                freeSolo
                autoSelect
                options={offeredLanguages()}
                getOptionLabel={languageName}
                value={field.value}
                onChange={(_, value) => field.onChange([...new Set(value.map(languageIn).filter(Boolean))])}
                renderInput={(params) => (
                  <TextField
                    {...params}
                    variant="standard"
                    slotProps={named(params, words.languages)}
                    placeholder={field.value.length === 0 ? words.languagesHint : ""}
                  />
                )}
              />
            )}
          />
        </Field>
        <Field id="words" label={words.words} help={words.wordsHelp}>
          <TextField id="words" multiline maxRows={6} fullWidth {...register("words")} />
        </Field>
        <Field label={words.browsers}>
          <Chosen control={control} name="browsers" label={words.browsers} options={browserWords} />
        </Field>
        <Field id="formats" label={words.formats} help={words.formatsHelp}>
          <Controller
            name="formats"
            control={control}
            render={({ field }) => (
              <Autocomplete
                id="formats"
                multiple
                autoHighlight
                filterSelectedOptions
                options={formats}
                value={field.value}
                onChange={(_, value) => field.onChange(value)}
                renderInput={(params) => (
                  <TextField
                    {...params}
                    variant="standard"
                    slotProps={named(params, words.formats)}
                    placeholder={field.value.length === 0 ? words.formatsHint : ""}
                  />
                )}
              />
            )}
          />
        </Field>
        <Field id="budget" label={words.budget} help={words.budgetHelp}>
          <Controller
            name="budget"
            control={control}
            rules={{ validate: (bytes) => bytes === null || bytes > 0 || words.budgetNone }}
            render={({ field, fieldState }) => (
              <TypedNumber
                id="budget"
                value={field.value}
                read={bytesIn}
                write={typedKilobytes}
                inputRef={field.ref}
                problem={fieldState.error?.message}
                onChange={field.onChange}
              />
            )}
          />
        </Field>
        <Field id="prefix" label={words.prefix} help={words.prefixHelp}>
          <TextField id="prefix" {...register("prefix")} />
        </Field>
      </div>
      <Tick control={control} name="standIns" label={words.standIns} />
      <h2 className="section">
        {words.placement} <small>{words.placementIs}</small>
      </h2>
      <div className="form">
        <Field label={words.kind}>
          <Chosen control={control} name="kind" label={words.kind} options={kindWords} />
        </Field>
        {now.kind === "FOLDER" && <Text register={register} name="folder" />}
        {now.kind === "BASE_URL" && <Text register={register} name="base" />}
        {now.kind === "EXPRESSION" && <Text register={register} name="expression" />}
        <Field label={words.names}>
          <Chosen control={control} name="names" label={words.names} options={nameWords} />
        </Field>
        <Field label={words.shape}>
          <Chosen control={control} name="shape" label={words.shape} options={shapeWords} />
        </Field>
        <Field id="overrides" label={words.overrides} help={words.overridesHelp}>
          <TextField
            id="overrides"
            multiline
            maxRows={8}
            fullWidth
            className="mono"
            {...register("overrides")}
          />
        </Field>
        <Field id="before" label={words.before} help={words.beforeHelp}>
          <TextField id="before" multiline maxRows={6} fullWidth {...register("before")} />
        </Field>
        <Field id="after" label={words.after} help={words.afterHelp}>
          <TextField id="after" multiline maxRows={6} fullWidth {...register("after")} />
        </Field>
      </div>
      <Tick control={control} name="digest" label={words.digest} />
      {now.kind === "URL_PER_FILE" && (
        <Addresses
          siteId={site.id}
          urls={now.urls}
          onMatched={(urls) => setValue("urls", urls, { shouldDirty: true })}
        />
      )}
      <Preview delivery={now} />
      {mayEdit && (
        <div className={isDirty ? "savebar" : "in-a-row"}>
          <Button type="submit" variant="contained" disabled={!isDirty || !!conflict || isSubmitting}>
            {words.save}
          </Button>
        </div>
      )}
    </form>
  );
}

/** The files of a pack and the line by which a style sheet loads one of them, for a sample family. */
function Preview({ delivery }: { delivery: Delivery }) {
  const line = sampleLine(delivery);
  return (
    <div className="delivery-preview" role="group" aria-label={words.preview}>
      <b>{words.preview}</b>
      <ul className="bare-list digest">
        {treeOf(delivery).map((path) => (
          <li key={path}>{path}</li>
        ))}
      </ul>
      {line ? <code className="proof-fix">{line}</code> : <p className="ochre">{words.cannot}</p>}
    </div>
  );
}

function Field(props: { id?: string; label: string; help?: string; children: ReactNode }) {
  return (
    <>
      {props.id ? (
        <label className="label" htmlFor={props.id}>
          {props.label}
        </label>
      ) : (
        <span className="label">{props.label}</span>
      )}
      <div>
        {props.children}
        {props.help && <p className="quiet small">{props.help}</p>}
      </div>
    </>
  );
}

type TextProps = {
  register: ReturnType<typeof useForm<Delivery>>["register"];
  name: "folder" | "base" | "expression";
};

function Text({ register, name }: TextProps) {
  return (
    <Field id={name} label={words[name]} help={name === "base" ? words.baseHelp : undefined}>
      <TextField id={name} fullWidth {...register(name)} />
    </Field>
  );
}

type ChosenProps<N extends "browsers" | "kind" | "names" | "shape"> = {
  control: Control<Delivery>;
  name: N;
  label: string;
  options: readonly Option<Delivery[N]>[];
};

function Chosen<N extends "browsers" | "kind" | "names" | "shape">(props: ChosenProps<N>) {
  return (
    <Controller
      name={props.name}
      control={props.control}
      render={({ field }) => (
        <Choice
          hideLabel
          label={props.label}
          value={field.value}
          options={props.options}
          onChange={field.onChange}
          width={320}
        />
      )}
    />
  );
}
