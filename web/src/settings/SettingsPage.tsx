import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useColorScheme } from "@mui/material/styles";
import { useQueryClient } from "@tanstack/react-query";
import { useWho } from "../account/session";
import { call } from "../shared/api/client";
import { Leaf, Line } from "../shared/layout/Leaf";

export function SettingsPage() {
  const { mode, setMode } = useColorScheme();
  const client = useQueryClient();
  const who = useWho().data;
  const signOut = async () => {
    await call("DELETE", "/api/session");
    client.clear();
    window.location.assign("/");
  };
  return (
    <Leaf title="Settings" margin={false} below={`Signed in as ${who?.displayName} (${who?.name}).`}>
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
          <div>
            <Button variant="outlined" onClick={() => void signOut()}>
              Sign out
            </Button>
          </div>
        </div>
      </Line>
    </Leaf>
  );
}
