import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { day } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { words } from "./words";

/** Hosts inside the network that checks of pages may connect to; nobody else than an administrator says which. */
export function PrivateHosts() {
  const hosts = useGet("/api/private-hosts");
  const [typed, setTyped] = useState("");
  const allow = useChange({
    of: "private host",
    change: (host: string) => bodyOf(api.PUT("/api/private-hosts/{host}", { params: { path: { host } } })),
    said: () => words.hostAllowed,
  });
  const refuse = useChange({
    of: "private host",
    change: (host: string) => bodyOf(api.DELETE("/api/private-hosts/{host}", { params: { path: { host } } })),
    said: () => words.hostRefused,
  });
  return (
    <>
      <h2 className="section">
        {words.privateHosts} <small>{words.privateHostsAre}</small>
      </h2>
      <Shown of={hosts} lines={2}>
        {(allowed) =>
          allowed.length === 0 ? (
            <p className="quiet first">{words.noPrivateHost}</p>
          ) : (
            <ul className="bare-list">
              {allowed.map(({ host, allowedBy, allowedAt }) => (
                <li key={host} className="in-a-row">
                  <code>{host}</code>{" "}
                  <span className="quiet small">
                    {allowedBy}, {day(allowedAt)}
                  </span>
                  <Button size="small" disabled={refuse.isPending} onClick={() => refuse.mutate(host)}>
                    {words.refuseHost}
                  </Button>
                </li>
              ))}
            </ul>
          )
        }
      </Shown>
      <form
        className="in-a-row"
        onSubmit={(event) => {
          event.preventDefault();
          allow.mutate(typed.trim(), { onSuccess: () => setTyped("") });
        }}
      >
        <TextField
          label={words.privateHost}
          placeholder="10.0.0.5:443"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" variant="outlined" disabled={typed.trim() === "" || allow.isPending}>
          {words.allowHost}
        </Button>
      </form>
    </>
  );
}
