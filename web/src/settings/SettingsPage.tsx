import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useColorScheme } from "@mui/material/styles";
import { useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import { levelWords, useIsAdministrator, useWho } from "../shared/account/session";
import { api } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { singleKeys, useStoredChoice } from "../shared/parts/useStoredChoice";
import { useUnsaved } from "../shared/parts/unsaved";
import { BackupSection } from "./BackupSection";
import { CalendarSection } from "./CalendarSection";
import { PrivateHosts } from "./PrivateHosts";
import { notices, words } from "./words";

export function SettingsPage() {
  const who = useWho().data;
  const administrator = useIsAdministrator();
  return (
    <Leaf
      title={words.title}
      below={who && `Signed in as ${who.displayName}, ${levelWords[who.level].toLowerCase()}.`}
      actions={<Link to="/people">{words.people}</Link>}
    >
      <Line>
        <div className="form">
          <Paper />
          <Keys />
          <Session />
        </div>
      </Line>
      <Line>
        <h2 className="section">{words.password}</h2>
        <Password />
      </Line>
      <Line>
        <CalendarSection />
      </Line>
      {administrator && (
        <Line>
          <BackupSection />
        </Line>
      )}
      {administrator && (
        <Line>
          <PrivateHosts />
        </Line>
      )}
      <Line>
        <Notices />
      </Line>
    </Leaf>
  );
}

/** What others made that goes along, with its licenses; the build writes the files. */
function Notices() {
  return (
    <>
      <h2 className="section">{words.notices}</h2>
      <p className="quiet">{words.noticesAre}</p>
      <p className="in-a-row">
        {notices.map(([file, what]) => (
          <a key={file} href={`/notices/${file}.txt`} target="_blank" rel="noreferrer">
            {what}
          </a>
        ))}
      </p>
    </>
  );
}

function Paper() {
  const { mode, setMode } = useColorScheme();
  return (
    <>
      <span className="label">{words.paper}</span>
      <ToggleButtonGroup
        exclusive
        value={mode ?? "system"}
        aria-label={words.paper}
        onChange={(_, value: "system" | "light" | "dark" | null) => value && setMode(value)}
      >
        <ToggleButton value="light">{words.light}</ToggleButton>
        <ToggleButton value="dark">{words.dark}</ToggleButton>
        <ToggleButton value="system">{words.asSystem}</ToggleButton>
      </ToggleButtonGroup>
    </>
  );
}

function Keys() {
  const [keys, setKeys] = useStoredChoice(singleKeys, "on");
  return (
    <>
      <span className="label">{words.singleKeys}</span>
      <div>
        <ToggleButtonGroup
          exclusive
          value={keys}
          aria-label={words.singleKeys}
          onChange={(_, value: "on" | "off" | null) => value && setKeys(value)}
        >
          <ToggleButton value="on">{words.on}</ToggleButton>
          <ToggleButton value="off">{words.off}</ToggleButton>
        </ToggleButtonGroup>
        <div className="help">{words.keysHelp}</div>
      </div>
    </>
  );
}

function Session() {
  const client = useQueryClient();
  const who = useWho().data;
  const others = (who?.sessions ?? 1) - 1;
  const endOthers = useChange({
    of: "session",
    change: () => api.DELETE("/api/session/others"),
    said: () => words.othersEnded,
  });
  const signOut = useChange({
    of: "session",
    change: async () => {
      await api.DELETE("/api/session");
      client.clear();
      window.location.assign("/");
    },
  });
  return (
    <>
      <span className="label">{words.session}</span>
      <div className="in-a-row">
        <Button variant="outlined" disabled={signOut.isPending} onClick={() => signOut.mutate()}>
          {words.signOut}
        </Button>
        {others > 0 && (
          <>
            <Button disabled={endOthers.isPending} onClick={() => endOthers.mutate()}>
              {words.signOutElsewhere}
            </Button>
            <span className="quiet">{count(others, "other session")} open</span>
          </>
        )}
      </div>
    </>
  );
}

type Fields = { current: string; password: string };

function Password() {
  const { register, handleSubmit, reset, formState } = useForm<Fields>({
    defaultValues: { current: "", password: "" },
  });
  const change = useChange({
    of: "session",
    change: (fields: Fields) => api.PUT("/api/session/password", { body: fields }),
    said: () => words.passwordChanged,
  });
  useUnsaved(formState.isDirty && !formState.isSubmitting);
  const submit = handleSubmit((fields) => change.mutate(fields, { onSuccess: () => reset() }));
  return (
    <form onSubmit={(event) => void submit(event)}>
      <div className="form">
        <label className="label" htmlFor="current-password">
          {words.current}
        </label>
        <TextField
          id="current-password"
          type="password"
          autoComplete="current-password"
          {...register("current", { required: true })}
        />
        <label className="label" htmlFor="new-password">
          {words.next}
        </label>
        <TextField
          id="new-password"
          type="password"
          autoComplete="new-password"
          error={!!formState.errors.password}
          helperText={words.length}
          {...register("password", { required: true, minLength: 10 })}
        />
      </div>
      <Button type="submit" variant="outlined" sx={{ mt: 2 }} disabled={change.isPending}>
        {words.change}
      </Button>
    </form>
  );
}
