import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useFieldArray, useForm } from "react-hook-form";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing, isStale } from "../shared/api/client";
import { asking, useChange, useGet } from "../shared/api/queries";
import type { CheckPlan, Site } from "../shared/api/types";
import { useKeep } from "../shared/api/useKeep";
import { Line } from "../shared/layout/Leaf";
import { Tick } from "../shared/parts/Tick";
import { useUnsaved } from "../shared/parts/unsaved";
import { Shown } from "../shared/states/States";
import { connectionsIn, lines, typedConnections } from "./pages";
import { planInWords, words } from "./words";

/** What of a site is checked: read first, edited in place. */
export function Plan({ site }: { site: Site }) {
  const [editingIt, setEditing] = useState(false);
  const mayEdit = useMayEdit();
  const parameters = { path: { id: site.id } };
  const plan = useGet("/api/sites/{id}/check-plan", parameters);
  const version = plan.data?.version ?? 0;
  const save = useChange({
    of: "check plan",
    change: (body: CheckPlan) =>
      bodyOf(
        api.PUT("/api/sites/{id}/check-plan", {
          params: { path: { id: site.id }, header: editing(version) },
          body,
        }),
      ),
    said: () => words.planSaved,
    failed: isStale,
  });
  const keep = useKeep(asking("/api/sites/{id}/check-plan", parameters).queryKey, save);
  return (
    <Line id="plan">
      <h2 className="section">{words.plan}</h2>
      <Shown of={plan} lines={2}>
        {({ plan: now }) =>
          editingIt ? (
            <PlanForm
              key={version}
              plan={now}
              onLeave={() => setEditing(false)}
              onSave={async (draft) => {
                const kept = await keep(draft);
                setEditing(!kept);
              }}
            />
          ) : (
            <>
              <p className="first">{planInWords(now)}</p>
              {mayEdit && (
                <Button size="small" onClick={() => setEditing(true)}>
                  {words.edit}
                </Button>
              )}
            </>
          )
        }
      </Shown>
    </Line>
  );
}

type Fields = {
  addresses: string;
  follows: boolean;
  mostPages: string;
  watched: boolean;
  connections: string;
  ownHosts: string;
  signIns: { host: string; name: string; password: string }[];
};

type FormProps = { plan: CheckPlan; onSave: (plan: CheckPlan) => Promise<void>; onLeave: () => void };

function PlanForm({ plan, onSave, onLeave }: FormProps) {
  const form = useForm<Fields>({
    defaultValues: {
      addresses: plan.addresses.join("\n"),
      follows: plan.follows,
      mostPages: String(plan.mostPages),
      watched: plan.watched,
      connections: typedConnections(plan.connections),
      ownHosts: plan.ownHosts.join("\n"),
      signIns: plan.signIns.map(({ host, name }) => ({ host, name, password: "" })),
    },
  });
  const { register, control, handleSubmit, formState } = form;
  const signIns = useFieldArray({ control, name: "signIns" });
  useUnsaved(formState.isDirty && !formState.isSubmitting);
  const save = handleSubmit((fields) =>
    onSave({
      addresses: lines(fields.addresses),
      follows: fields.follows,
      mostPages: Number(fields.mostPages),
      watched: fields.watched,
      connections: connectionsIn(fields.connections),
      ownHosts: lines(fields.ownHosts),
      signIns: fields.signIns.map(({ host, name, password }) => ({ host, name, password: password || null })),
    }),
  );
  const known = (host: string, name: string) =>
    plan.signIns.some((one) => one.host === host && one.name === name);
  return (
    <form onSubmit={(event) => void save(event)}>
      <div className="form">
        <label className="label" htmlFor="addresses">
          {words.addresses}
        </label>
        <div>
          <TextField id="addresses" multiline fullWidth maxRows={8} {...register("addresses")} />
          <div className="help">{words.addressesHelp}</div>
        </div>
        <label className="label" htmlFor="most">
          {words.most}
        </label>
        <div>
          <TextField
            id="most"
            error={!!formState.errors.mostPages}
            slotProps={{ htmlInput: { inputMode: "numeric" } }}
            {...register("mostPages", { pattern: /^(?:[1-9]\d?|1\d\d|200)$/ })}
          />
          <div className="help">{words.mostHelp}</div>
        </div>
        <label className="label" htmlFor="connections">
          {words.connections}
        </label>
        <div>
          <TextField id="connections" multiline fullWidth maxRows={8} {...register("connections")} />
          <div className="help">{words.connectionsHelp}</div>
        </div>
        <label className="label" htmlFor="own-hosts">
          {words.ownHosts}
        </label>
        <div>
          <TextField id="own-hosts" multiline fullWidth maxRows={4} {...register("ownHosts")} />
          <div className="help">{words.ownHostsHelp}</div>
        </div>
        <span className="label">{words.signIns}</span>
        <div>
          {signIns.fields.map((field, i) => (
            <div key={field.id} className="in-a-row" role="group" aria-label={`${words.signIns} ${i + 1}`}>
              <TextField label={words.signInHost} {...register(`signIns.${i}.host`)} />
              <TextField label={words.signInName} {...register(`signIns.${i}.name`)} />
              <TextField
                label={words.signInPassword}
                type="password"
                autoComplete="off"
                placeholder={known(field.host, field.name) ? words.signInKept : ""}
                {...register(`signIns.${i}.password`)}
              />
              <Button size="small" onClick={() => signIns.remove(i)}>
                {words.signInRemove}
              </Button>
            </div>
          ))}
          <Button size="small" onClick={() => signIns.append({ host: "", name: "", password: "" })}>
            {words.signInAdd}
          </Button>
        </div>
      </div>
      <Tick control={control} name="follows" label={words.follows} />
      <br />
      <Tick control={control} name="watched" label={words.watched} />
      <div className="in-a-row">
        <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
          {words.save}
        </Button>
        <Button onClick={onLeave}>{words.leave}</Button>
      </div>
    </form>
  );
}
