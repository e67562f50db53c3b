import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { Controller, useForm } from "react-hook-form";
import { useMemo } from "react";
import { useMayEdit } from "../account/session";
import type { Client, Site } from "../shared/api/types";
import { Conflict } from "../shared/parts/Conflict";
import { useBeforeLeaving } from "../shared/parts/useBeforeLeaving";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { domainsIn } from "./domains";

type Props = {
  site?: Site;
  clients: Client[];
  saveLabel: string;
  onSave: (fields: SiteFields) => Promise<boolean>;
};

/** What this form edits of a site; a client is named, and may be a new one. */
export type SiteFields = { client: string; name: string; domains: string[] };

/** A site's client, name and domains; a client that is not known yet is added with the site. */
export function SiteForm({ site, clients, saveLabel, onSave }: Props) {
  const recorded = useMemo<SiteFields>(
    () => ({ client: site?.clientName ?? "", name: site?.name ?? "", domains: site?.domains ?? [] }),
    [site?.clientName, site?.name, site?.domains],
  );
  const form = useForm<SiteFields>({ defaultValues: recorded });
  const { register, control, handleSubmit, formState } = form;
  const { conflict, resolve, saved } = useMergedForm(form, recorded, site?.version ?? 0);
  const mayEdit = useMayEdit();
  useBeforeLeaving(formState.isDirty && !formState.isSubmitting);
  const save = handleSubmit(async (fields) => {
    if (await onSave({ ...fields, domains: fields.domains.flatMap(domainsIn) })) {
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
          names={{ client: "Client", name: "Name", domains: "Domains" }}
          onMerge={resolve}
        />
      )}
      <div className="form">
        <label className="label" htmlFor="client">
          Client
        </label>
        <Controller
          name="client"
          control={control}
          rules={{ required: "A site belongs to a client." }}
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
                  error={!!formState.errors.client}
                  helperText={formState.errors.client?.message}
                />
              )}
            />
          )}
        />
        <label className="label" htmlFor="site-name">
          Name
        </label>
        <TextField
          id="site-name"
          {...register("name", { required: "A site needs a name." })}
          error={!!formState.errors.name}
          helperText={formState.errors.name?.message}
        />
        <label className="label" htmlFor="domains-of-site">
          Domains
        </label>
        <Controller
          name="domains"
          control={control}
          render={({ field }) => (
            <Autocomplete
              id="domains-of-site"
              multiple
              freeSolo
              autoSelect
              options={[] as string[]}
              value={field.value}
              onChange={(_, value) => field.onChange([...new Set(value.flatMap(domainsIn))])}
              renderInput={(params) => (
                <TextField
                  {...params}
                  variant="standard"
                  placeholder={field.value.length === 0 ? "client.example, Enter" : ""}
                  helperText="Every host on which visitors see the site."
                />
              )}
            />
          )}
        />
      </div>
      <Button
        type="submit"
        variant={site ? "outlined" : "contained"}
        sx={{ mt: 2.5 }}
        disabled={!mayEdit || !!conflict || formState.isSubmitting || (!!site && !formState.isDirty)}
      >
        {saveLabel}
      </Button>
    </form>
  );
}
