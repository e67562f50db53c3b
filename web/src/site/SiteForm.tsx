import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { Controller, useForm } from "react-hook-form";
import { call } from "../shared/api/client";
import type { Client, Site, SiteDraft } from "../shared/api/types";

type Props = { site?: Site; clients: Client[]; saveLabel: string; onSave: (draft: SiteDraft) => void };

type Fields = { client: string; name: string; domains: string[] };

/** A site's client, name and domains; a client that is not known yet is added with the site. */
export function SiteForm({ site, clients, saveLabel, onSave }: Props) {
  const { register, control, handleSubmit, formState } = useForm<Fields>({
    defaultValues: { client: site?.clientName ?? "", name: site?.name ?? "", domains: site?.domains ?? [] },
  });
  const save = handleSubmit(async (fields) => {
    const known = clients.find((client) => client.name.toLowerCase() === fields.client.trim().toLowerCase());
    const client = known ?? (await call<Client>("POST", "/api/clients", { name: fields.client }));
    onSave({ clientId: client.id, name: fields.name, domains: fields.domains, roles: site?.roles ?? [] });
  });
  return (
    <form onSubmit={(event) => void save(event)}>
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
              onChange={(_, value) => field.onChange(value)}
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
        disabled={!!site && !formState.isDirty}
      >
        {saveLabel}
      </Button>
    </form>
  );
}
