import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { useGet } from "../shared/api/queries";
import type { FileRow } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { baseName, count, kB } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { verdictWords, words } from "./words";

const order: FileRow["verdict"][] = ["DAMAGED", "LICENSE_TEXT", "README", "NOT_A_FONT"];
const texts: FileRow["verdict"][] = ["LICENSE_TEXT", "README"];

/** The files that are no fonts or cannot be read, each named with the reason; texts that came along can be read here. */
export function SetAside({ intakeId }: { intakeId: string }) {
  const others = useGet("/api/intakes/{id}/others", { path: { id: intakeId } });
  return (
    <Shown of={others}>
      {(rows) => (rows.length > 0 ? <Listed intakeId={intakeId} rows={rows} /> : null)}
    </Shown>
  );
}

function Listed({ intakeId, rows }: { intakeId: string; rows: FileRow[] }) {
  const [reading, setReading] = useState<FileRow | null>(null);
  const sorted = [...rows].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict));
  const warnings = rows.flatMap((row) => row.warnings);
  return (
    <Line
      notes={warnings.map((warning) => (
        <div key={warning} className="note ask">
          <div className="group">{words.readFirst}</div>
          <div className="why breaks">{warning}</div>
        </div>
      ))}
    >
      <h2 className="section">
        {words.keptOut}{" "}
        <small>
          {count(rows.length, "file")}: {words.keptOutHelp}
        </small>
      </h2>
      <ul className="bare-list">
        {sorted.map((row) => (
          <li key={row.id} className="kept-out">
            <b className={row.verdict === "DAMAGED" ? "rubric" : undefined}>{verdictWords[row.verdict]}</b>
            <div className="breaks">
              {baseName(row.path)}
              {row.path !== baseName(row.path) && <div className="quiet small">{row.path}</div>}
            </div>
            <div className="breaks">
              {row.openLicense ? `${row.because}: ${row.openLicense}` : row.because}
            </div>
            <div className="number">{kB(row.bytes)}</div>
            <div className="acts">
              {texts.includes(row.verdict) && (
                <Button
                  size="small"
                  aria-label={`${words.read} ${baseName(row.path)}`}
                  onClick={() => setReading(row)}
                >
                  {words.read}
                </Button>
              )}
            </div>
          </li>
        ))}
      </ul>
      {reading && <TextOf intakeId={intakeId} row={reading} onClose={() => setReading(null)} />}
    </Line>
  );
}

/** A text that came along, in the mono face; one that is no plain text can be downloaded. */
function TextOf({ intakeId, row, onClose }: { intakeId: string; row: FileRow; onClose: () => void }) {
  const path = { id: intakeId, item: row.id };
  const text = useGet("/api/intakes/{id}/items/{item}/text", { path });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="text-title">
      <DialogTitle id="text-title">{baseName(row.path)}</DialogTitle>
      <DialogContent>
        <Shown of={text}>{(answer) => <pre className="text-of">{answer.text}</pre>}</Shown>
      </DialogContent>
      <DialogActions>
        <Button href={`/api/intakes/${intakeId}/items/${row.id}/bytes`} download>
          {words.download}
        </Button>
        <Button onClick={onClose}>{words.close}</Button>
      </DialogActions>
    </Dialog>
  );
}
