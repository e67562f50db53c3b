import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useColorScheme } from "@mui/material/styles";
import { useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import { levelWords, useIsAdministrator, useWho } from "../account/session";
import { call } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { BackupSection } from "./BackupSection";

export function SettingsPage() {
  const { mode, setMode } = useColorScheme();
  const client = useQueryClient();
  const who = useWho().data;
  const administrator = useIsAdministrator();
  const endOthers = useChange(
    () => call("DELETE", "/api/session/others"),
    () => "Signed out everywhere else.",
  );
  const signOut = async () => {
    await call("DELETE", "/api/session");
    client.clear();
    window.location.assign("/");
  };
  const others = (who?.sessions ?? 1) - 1;
  return (
    <Leaf
      title="Settings"
      margin={false}
      below={who && `Signed in as ${who.displayName}, ${levelWords[who.level].toLowerCase()}.`}
      actions={<Link to="/people">People</Link>}
    >
      <Line>
        <div className="form">
          <span className="label">Paper</span>
          <ToggleButtonGroup
            exclusive
            value={mode ?? "system"}
            aria-label="Paper"
            onChange={(_, value: "system" | "light" | "dark" | null) => value && setMode(value)}
          >
            <ToggleButton value="light">Light</ToggleButton>
            <ToggleButton value="dark">Dark</ToggleButton>
            <ToggleButton value="system">As the system</ToggleButton>
          </ToggleButtonGroup>
          <span className="label">Session</span>
          <div style={{ display: "flex", gap: 14, alignItems: "center", flexWrap: "wrap" }}>
            <Button variant="outlined" onClick={() => void signOut()}>
              Sign out
            </Button>
            {others > 0 && (
              <>
                <Button disabled={endOthers.isPending} onClick={() => endOthers.mutate(undefined)}>
                  Sign out everywhere else
                </Button>
                <span className="quiet">{count(others, "other session")} open</span>
              </>
            )}
          </div>
        </div>
      </Line>
      <Line>
        <h2 className="section">Password</h2>
        <Password />
      </Line>
      {administrator && (
        <Line>
          <BackupSection />
        </Line>
      )}
    </Leaf>
  );
}

type Fields = { current: string; password: string };

function Password() {
  const { register, handleSubmit, reset, formState } = useForm<Fields>({
    defaultValues: { current: "", password: "" },
  });
  const change = useChange(
    (fields: Fields) => call("PUT", "/api/session/password", fields),
    () => "Changed. Other sessions are signed out.",
  );
  const submit = handleSubmit((fields) => change.mutate(fields, { onSuccess: () => reset() }));
  return (
    <form onSubmit={(event) => void submit(event)}>
      <div className="form">
        <label className="label" htmlFor="current-password">
          Current
        </label>
        <TextField
          id="current-password"
          type="password"
          autoComplete="current-password"
          {...register("current", { required: true })}
        />
        <label className="label" htmlFor="new-password">
          New
        </label>
        <TextField
          id="new-password"
          type="password"
          autoComplete="new-password"
          error={!!formState.errors.password}
          helperText="10 characters or more"
          {...register("password", { required: true, minLength: 10 })}
        />
      </div>
      <Button type="submit" variant="outlined" sx={{ mt: 2 }} disabled={change.isPending}>
        Change the password
      </Button>
    </form>
  );
}
