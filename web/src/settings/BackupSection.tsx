import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Backups } from "../shared/api/types";
import { count, kB, moment } from "../shared/parts/format";

type Check = { running: boolean; done: number; total: number };

/** Backups, and reading the stored files again; for administrators. */
export function BackupSection() {
  const backups = useOne<Backups>("/api/backups", (data) => (data?.progress.running ? 700 : 5_000)).data;
  const check = useOne<Check>("/api/storage/check", (data) => (data?.running ? 700 : false)).data;
  const make = useChange(
    () => call("POST", "/api/backups"),
    () => "The backup is being made; work can go on.",
  );
  const checkAll = useChange(
    () => call("POST", "/api/storage/check"),
    () => "All stored files are read again; a damaged one becomes a flag.",
  );
  const running = backups?.progress.running;
  return (
    <>
      <h2 className="section">
        Backups <small>the database and all files in one archive, checked after writing</small>
      </h2>
      {running && (
        <LinearProgress
          variant="determinate"
          aria-label="Backup"
          value={
            backups.progress.totalBytes ? (100 * backups.progress.doneBytes) / backups.progress.totalBytes : 0
          }
        />
      )}
      {backups?.progress.failure && <p role="alert">The last backup failed: {backups.progress.failure}</p>}
      {backups?.items.length === 0 && <p className="quiet">None made yet.</p>}
      {backups && backups.items.length > 0 && (
        <table className="sheet">
          <tbody>
            {backups.items.map((backup) => (
              <tr key={backup.name}>
                <td>
                  <a href={`/api/backups/${backup.name}`} download>
                    {backup.name}
                  </a>
                </td>
                <td>{moment(backup.madeAt)}</td>
                <td className="number">{kB(backup.bytes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p style={{ display: "flex", gap: 14, alignItems: "center", flexWrap: "wrap" }}>
        <Button
          variant="outlined"
          disabled={running || make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          {running ? "Making a backup …" : "Make a backup"}
        </Button>
        <Button disabled={check?.running || checkAll.isPending} onClick={() => checkAll.mutate(undefined)}>
          Read all stored files again
        </Button>
        {check && check.total > 0 && (
          <span className="quiet">
            {check.running
              ? `${check.done} of ${count(check.total, "file")} read`
              : `${count(check.total, "file")} read`}
          </span>
        )}
      </p>
    </>
  );
}
