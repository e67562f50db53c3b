import Button from "@mui/material/Button";
import { api } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { Backups } from "../shared/api/types";
import { kB, moment } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { Progress } from "../shared/parts/Progress";
import { read, words } from "./words";

const OFTEN = 700;
const SELDOM = 5_000;

/** Backups, and reading the stored files again; for administrators. */
export function BackupSection() {
  const backups = useGet("/api/backups", undefined, {
    refetchInterval: (answer) => (answer?.progress.running ? OFTEN : SELDOM),
  });
  return (
    <>
      <h2 className="section">
        {words.backups} <small>{words.backupsAre}</small>
      </h2>
      <Shown of={backups} lines={3}>
        {(known) => <Made backups={known} />}
      </Shown>
      <div className="in-a-row">
        <Make running={backups.data?.progress.running ?? false} />
        <ReadAgain />
      </div>
    </>
  );
}

function Made({ backups: { items, progress } }: { backups: Backups }) {
  return (
    <>
      {progress.running && (
        <Progress label={words.makingBackup} done={progress.doneBytes} total={progress.totalBytes} />
      )}
      {progress.failure && <p role="alert">The last backup failed: {progress.failure}</p>}
      {items.length === 0 ? (
        <p className="quiet">{words.noBackup}</p>
      ) : (
        <div className="scrolled">
          <table className="sheet">
            <tbody>
              {items.map((backup) => (
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
        </div>
      )}
    </>
  );
}

function Make({ running }: { running: boolean }) {
  const make = useChange({
    of: "backup",
    change: () => api.POST("/api/backups"),
    said: () => words.backupBegun,
  });
  return (
    <Button variant="outlined" disabled={running || make.isPending} onClick={() => make.mutate()}>
      {running ? words.makingBackup : words.makeBackup}
    </Button>
  );
}

function ReadAgain() {
  const check = useGet("/api/storage/check", undefined, {
    refetchInterval: (answer) => (answer?.running ? OFTEN : false),
  }).data;
  const readAll = useChange({
    of: "fixity",
    change: () => api.POST("/api/storage/check"),
    said: () => words.readingAgain,
  });
  return (
    <>
      <Button disabled={check?.running || readAll.isPending} onClick={() => readAll.mutate()}>
        {words.readAgain}
      </Button>
      {check && check.total > 0 && <span className="quiet">{read(check)}</span>}
    </>
  );
}
