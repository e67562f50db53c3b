import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useMemo } from "react";
import { Controller, useForm } from "react-hook-form";
import { useMayEdit } from "../shared/account/session";
import type { Client, Site, WhatIf } from "../shared/api/types";
import { Preview } from "../shared/flag/Preview";
import { Conflict } from "../shared/parts/Conflict";
import { domainsIn } from "../shared/parts/domains";
import { DomainsField } from "../shared/parts/DomainsField";
import { useUnsaved } from "../shared/parts/unsaved";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { words } from "./words";

type Props = {
  site?: Site;
  clients: Client[];
  saveLabel: string;
  onSave: (fields: SiteFields) => Promise<boolean>;
  /** Asks what saving the fields would do to the flags. */
  preview?: (fields: SiteFields) => Promise<WhatIf>;
};

/** What this form edits of a site; a client is named, and may be a new one. */
export type SiteFields = { client: string; name: string; domains: string[]; staging: string[] };

const fieldNames = {
  client: words.client,
  name: words.name,
  domains: words.domains,
  staging: words.staging,
};

/** The domains as they are sent: one each, with those for staging among them. */
export function withHosts(fields: SiteFields): SiteFields {
  const domains = fields.domains.flatMap(domainsIn);
  return { ...fields, domains, staging: fields.staging.filter((host) => domains.includes(host)) };
}

/** A site's client, name and domains; a client that is not known yet is added with the site. */
export function SiteForm({ site, clients, saveLabel, onSave, preview }: Props) {
  const recorded = useMemo<SiteFields>(
    () => ({
      client: site?.clientName ?? "",
      name: site?.name ?? "",
      domains: site?.domains ?? [],
      staging: site?.staging ?? [],
    }),
    [site?.clientName, site?.name, site?.domains, site?.staging],
  );
  const form = useForm<SiteFields>({ defaultValues: recorded });
  const { register, control, handleSubmit, getValues, watch, formState } = form;
  const domains = watch("domains");
  const { conflict, resolve, saved } = useMergedForm(form, recorded, site?.version ?? 0);
  const mayEdit = useMayEdit();
  const { isDirty, isSubmitting, errors } = formState;
  useUnsaved(isDirty && !isSubmitting);
  const save = handleSubmit(async (fields) => {
    if (await onSave(withHosts(fields))) {
      saved();
    }
  });
  return (
    <form onSubmit={(event) => void save(event)}>
      {conflict && site && (
        <Conflict
          conflict={conflict}
          subjectType="site"
          subjectId={site.id}
          names={fieldNames}
          onMerge={resolve}
        />
      )}
      <div className="form">
        <label className="label" htmlFor="client">
          {words.client}
        </label>
        <Controller
          name="client"
          control={control}
          rules={{ required: words.clientNeeded }}
          render={({ field }) => (
            <Autocomplete
              id="client"
              freeSolo
              autoSelect
              options={clients.map((client) => client.name)}
              value={field.value}
              onChange={(_, value) => field.onChange(value ?? "")}
              onInputChange={(_, value) => field.onChange(value)}
              renderInput={(params) => (
                <TextField
                  {...params}
                  variant="standard"
                  error={!!errors.client}
                  helperText={errors.client?.message}
                />
              )}
            />
          )}
        />
        <label className="label" htmlFor="site-name">
          {words.name}
        </label>
        <TextField
          id="site-name"
          {...register("name", { required: words.nameNeeded })}
          error={!!errors.name}
          helperText={errors.name?.message}
        />
        <label className="label" htmlFor="domains-of-site">
          {words.domains}
        </label>
        <Controller
          name="domains"
          control={control}
          render={({ field }) => (
            <DomainsField
              id="domains-of-site"
              label={words.domains}
              value={field.value}
              onChange={field.onChange}
              placeholder={words.domainsHint}
              help={words.domainsHelp}
            />
          )}
        />
        <span className="label">{words.staging}</span>
        <Controller
          name="staging"
          control={control}
          render={({ field }) => (
            <div>
              <span className="chips">
                {/* There from the beginning: the first domain must not move the button that is being pressed. */}
                {domains.length === 0 && (
                  <FormControlLabel disabled label={words.noDomainYet} control={<Checkbox size="small" />} />
                )}
                {domains.map((host) => (
                  <FormControlLabel
                    key={host}
                    label={host}
                    control={
                      <Checkbox
                        size="small"
                        checked={field.value.includes(host)}
                        onChange={(event) =>
                          field.onChange(
                            event.target.checked
                              ? [...field.value, host]
                              : field.value.filter((other) => other !== host),
                          )
                        }
                      />
                    }
                  />
                ))}
              </span>
              <p className="quiet small">{words.stagingHelp}</p>
            </div>
          )}
        />
      </div>
      <Button
        type="submit"
        variant={site ? "outlined" : "contained"}
        sx={{ mt: 2.5 }}
        disabled={!mayEdit || !!conflict || isSubmitting || (!!site && !isDirty)}
      >
        {saveLabel}
      </Button>
      {site && isDirty && preview && (
        <Preview key={JSON.stringify(watch())} ask={() => preview(getValues())} />
      )}
    </form>
  );
}
