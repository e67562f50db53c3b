import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { Link } from "react-router";
import { levelWords, useIsAdministrator, useWho } from "../account/session";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Invited, Level, Person } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { Copy } from "../shared/parts/Copy";
import { count, moment } from "../shared/parts/format";

const levelHelp: Record<Level, string> = {
  READER: "sees everything, changes nothing",
  EDITOR: "changes the inventory",
  ADMINISTRATOR: "also adds people and makes backups",
};

/** Everybody at the agency who may sign in, and those who once could. */
export function PeoplePage() {
  const people = useOne<Person[]>("/api/people").data;
  const administrator = useIsAdministrator();
  const [invited, setInvited] = useState<Invited | null>(null);
  const present = people?.filter((person) => !person.removed) ?? [];
  const gone = people?.filter((person) => person.removed) ?? [];
  return (
    <Leaf
      title="People"
      margin={false}
      above={<Link to="/settings">Settings</Link>}
      below={people && `${count(present.length, "person", "people")} may sign in.`}
    >
      <Line>
        {invited && <JoinLink invited={invited} />}
        <table className="sheet">
          <thead>
            <tr>
              <th>Name</th>
              <th>Signs in as</th>
              <th>Level</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {present.map((person) => (
              <Row key={person.name} person={person} administrator={administrator} onInvited={setInvited} />
            ))}
          </tbody>
        </table>
        {gone.length > 0 && (
          <p className="quiet">
            Not with the agency any more, kept for the history:{" "}
            {gone.map((person) => person.displayName).join(", ")}.
          </p>
        )}
      </Line>
      {administrator && (
        <Line>
          <h2 className="section">Add a person</h2>
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
  const address = `/api/people/${person.name}`;
  const edit = useChange(
    (level: Level) => call<Person>("PUT", address, { displayName: person.displayName, level }),
    (edited) => `${edited.displayName} is ${levelWords[edited.level].toLowerCase()} now.`,
  );
  const invite = useChange(async () => props.onInvited(await call<Invited>("POST", `${address}/invitation`)));
  const remove = useChange(
    () => call("DELETE", address),
    () => `Removed ${person.displayName}.`,
  );
  return (
    <tr>
      <td>
        <Link to={`/history?by=${person.name}`}>{person.displayName}</Link>
        {self && <span className="quiet"> you</span>}
      </td>
      <td className="quiet">{person.name}</td>
      <td>
        {administrator && !self ? (
          <TextField
            select
            size="small"
            value={person.level}
            slotProps={{ htmlInput: { "aria-label": `Level of ${person.displayName}` } }}
            onChange={(event) => edit.mutate(event.target.value as Level)}
          >
            {(Object.keys(levelWords) as Level[]).map((level) => (
              <MenuItem key={level} value={level}>
                {levelWords[level]}
              </MenuItem>
            ))}
          </TextField>
        ) : (
          levelWords[person.level]
        )}
        <div className="quiet">{person.joined ? levelHelp[person.level] : "has not joined yet"}</div>
      </td>
      <td style={{ textAlign: "right", whiteSpace: "nowrap" }}>
        {administrator && !self && (
          <>
            <Button size="small" disabled={invite.isPending} onClick={() => invite.mutate(undefined)}>
              New link
            </Button>
            <Button
              size="small"
              aria-label={`Remove ${person.displayName}`}
              onClick={() => setRemoving(true)}
            >
              Remove
            </Button>
          </>
        )}
        {removing && (
          <Confirm
            title={`Remove ${person.displayName}?`}
            action="Remove"
            onClose={() => setRemoving(false)}
            onConfirm={() => remove.mutate(undefined)}
          >
            They are signed out everywhere at once. Their name stays in the history.
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
  const add = useChange(
    (fields: Fields) => call<Invited>("POST", "/api/people", fields),
    (invited) => `Added ${invited.person.displayName}.`,
  );
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
          Name
        </label>
        <TextField
          id="person-name"
          {...register("displayName", { required: "A person needs a name." })}
          error={!!formState.errors.displayName}
          helperText={formState.errors.displayName?.message}
        />
        <label className="label" htmlFor="sign-in-name">
          Signs in as
        </label>
        <TextField
          id="sign-in-name"
          {...register("name", {
            required: "A name to sign in with is needed.",
            pattern: {
              value: /^[a-z0-9][a-z0-9._-]{1,39}$/,
              message: "2 to 40 small letters, digits, dots, hyphens.",
            },
          })}
          error={!!formState.errors.name}
          helperText={formState.errors.name?.message}
        />
        <span className="label">Level</span>
        <Controller
          name="level"
          control={control}
          render={({ field }) => (
            <TextField select {...field} slotProps={{ htmlInput: { "aria-label": "Level" } }}>
              {(Object.keys(levelWords) as Level[]).map((level) => (
                <MenuItem key={level} value={level}>
                  {levelWords[level]}: {levelHelp[level]}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
      </div>
      <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={add.isPending}>
        Add, and make a link
      </Button>
    </form>
  );
}
