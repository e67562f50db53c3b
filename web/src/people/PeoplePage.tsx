import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { Link } from "react-router";
import { levelWords, useIsAdministrator, useWho } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { Invited, Level, Person } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Choice } from "../shared/parts/Choice";
import { Confirm } from "../shared/parts/Confirm";
import { Copy } from "../shared/parts/Copy";
import { moment } from "../shared/parts/format";
import { useUnsaved } from "../shared/parts/unsaved";
import { Shown } from "../shared/states/States";
import { explained, gone, howMany, levelHelp, levels, words } from "./words";

/** Everybody at the agency who may sign in, and those who once could. */
export function PeoplePage() {
  const people = useGet("/api/people");
  const administrator = useIsAdministrator();
  const [invited, setInvited] = useState<Invited | null>(null);
  const present = people.data?.filter((person) => !person.removed) ?? [];
  const removed = people.data?.filter((person) => person.removed) ?? [];
  return (
    <Leaf
      title={words.title}
      above={<Link to="/settings">Settings</Link>}
      below={people.data && howMany(present.length)}
    >
      <Line>
        {invited && <JoinLink invited={invited} />}
        <Shown of={people}>
          {() => (
            <div className="scrolled">
              <table className="sheet">
                <thead>
                  <tr>
                    <th>{words.name}</th>
                    <th>{words.signsInAs}</th>
                    <th>{words.level}</th>
                    <th />
                  </tr>
                </thead>
                <tbody>
                  {present.map((person) => (
                    <Row
                      key={person.name}
                      person={person}
                      administrator={administrator}
                      onInvited={setInvited}
                    />
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </Shown>
        {removed.length > 0 && <p className="quiet">{gone(removed.map((person) => person.displayName))}</p>}
      </Line>
      {administrator && (
        <Line>
          <h2 className="section">{words.add}</h2>
          <AddPerson onInvited={setInvited} />
        </Line>
      )}
    </Leaf>
  );
}

function JoinLink({ invited }: { invited: Invited }) {
  const link = `${window.location.origin}/join/${invited.token}`;
  return (
    <div className="handover" role="status">
      <b>Hand this link to {invited.person.displayName}.</b> It works once, until {moment(invited.expiresAt)}.
      <div className="copyable">
        <code>{link}</code> <Copy text={link} />
      </div>
    </div>
  );
}

function Row(props: { person: Person; administrator: boolean; onInvited: (invited: Invited) => void }) {
  const { person, administrator } = props;
  const self = useWho().data?.name === person.name;
  const [removing, setRemoving] = useState(false);
  const path = { name: person.name };
  const edit = useChange({
    of: "person",
    change: (level: Level) =>
      bodyOf(
        api.PUT("/api/people/{name}", {
          params: { path, header: editing(person.version) },
          body: { displayName: person.displayName, level },
        }),
      ),
    said: (edited) => `${edited.displayName} is ${levelWords[edited.level].toLowerCase()} now.`,
  });
  const invite = useChange({
    of: "person",
    change: async () =>
      props.onInvited(await bodyOf(api.POST("/api/people/{name}/invitation", { params: { path } }))),
  });
  const remove = useChange({
    of: "person",
    change: () => api.DELETE("/api/people/{name}", { params: { path } }),
    said: () => `Removed ${person.displayName}.`,
  });
  return (
    <tr>
      <td>
        <Link to={`/history?by=${person.name}`}>{person.displayName}</Link>
        {self && <span className="quiet"> {words.you}</span>}
      </td>
      <td className="quiet">{person.name}</td>
      <td>
        {administrator && !self ? (
          <Choice
            hideLabel
            label={`Level of ${person.displayName}`}
            value={person.level}
            disabled={edit.isPending}
            options={levels}
            onChange={(level) => edit.mutate(level)}
          />
        ) : (
          levelWords[person.level]
        )}
        <div className="quiet">{person.joined ? levelHelp[person.level] : words.notJoined}</div>
      </td>
      <td className="acts">
        {administrator && !self && (
          <>
            <Button size="small" disabled={invite.isPending} onClick={() => invite.mutate()}>
              {words.newLink}
            </Button>
            <Button
              size="small"
              aria-label={`Remove ${person.displayName}`}
              onClick={() => setRemoving(true)}
            >
              {words.remove}
            </Button>
          </>
        )}
        {removing && (
          <Confirm
            title={`Remove ${person.displayName}?`}
            action={words.remove}
            onClose={() => setRemoving(false)}
            onConfirm={() => remove.mutateAsync()}
          >
            {words.removing}
          </Confirm>
        )}
      </td>
    </tr>
  );
}

type Fields = { name: string; displayName: string; level: Level };

function AddPerson({ onInvited }: { onInvited: (invited: Invited) => void }) {
  const { register, control, handleSubmit, reset, formState } = useForm<Fields>({
    defaultValues: { name: "", displayName: "", level: "EDITOR" },
  });
  const add = useChange({
    of: "person",
    change: (fields: Fields) => bodyOf(api.POST("/api/people", { body: fields })),
    said: (invited) => `Added ${invited.person.displayName}.`,
  });
  useUnsaved(formState.isDirty && !formState.isSubmitting);
  const submit = handleSubmit(async (fields) => {
    const invited = await add.mutateAsync(fields).catch(() => null);
    if (invited) {
      onInvited(invited);
      reset();
      window.scrollTo({ top: 0 });
    }
  });
  return (
    <form onSubmit={(event) => void submit(event)}>
      <div className="form">
        <label className="label" htmlFor="person-name">
          {words.name}
        </label>
        <TextField
          id="person-name"
          {...register("displayName", { required: words.nameNeeded })}
          error={!!formState.errors.displayName}
          helperText={formState.errors.displayName?.message}
        />
        <label className="label" htmlFor="sign-in-name">
          {words.signsInAs}
        </label>
        <TextField
          id="sign-in-name"
          {...register("name", {
            required: words.signInNameNeeded,
            pattern: {
              value: /^[a-z0-9][a-z0-9._-]{1,39}$/,
              message: words.signInName,
            },
          })}
          error={!!formState.errors.name}
          helperText={formState.errors.name?.message}
        />
        <span className="label">{words.level}</span>
        <Controller
          name="level"
          control={control}
          render={({ field }) => (
            <Choice
              hideLabel
              label={words.level}
              value={field.value}
              options={explained}
              onChange={field.onChange}
            />
          )}
        />
      </div>
      <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={add.isPending}>
        {words.addAndLink}
      </Button>
    </form>
  );
}
