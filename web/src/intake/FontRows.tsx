import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { Fragment, useState } from "react";
import { inFont, useFontAt } from "../family/storedFont";
import type { Correction, FileRow } from "../shared/api/types";
import { baseName, formatLabels, kB } from "../shared/parts/format";
import { lettersOf } from "../shared/parts/sample";
import { CorrectDialog } from "./CorrectDialog";
import { verdictWords } from "./states";

type Props = {
  intakeId: string;
  rows: FileRow[];
  editable: boolean;
  onCorrect: (row: FileRow, change: Correction) => void;
};

/** The fonts of one family under review: what each is, its verdict, its evidence on demand. */
export function FontRows({ intakeId, rows, editable, onCorrect }: Props) {
  const [open, setOpen] = useState("");
  const [correcting, setCorrecting] = useState<FileRow | null>(null);
  return (
    <table className="sheet intake">
      <thead>
        <tr>
          <th style={{ width: 36 }}>In</th>
          <th style={{ width: 62 }} />
          <th style={{ width: 92 }}>Face</th>
          <th style={{ width: 196 }}>File</th>
          <th>Verdict</th>
          <th style={{ width: editable ? 158 : 92 }} />
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Fragment key={row.id}>
            <tr>
              <td>
                <Checkbox
                  size="small"
                  sx={{ p: 0 }}
                  checked={row.included}
                  disabled={!editable}
                  slotProps={{ input: { "aria-label": `Take in ${baseName(row.path)}` } }}
                  onChange={(event) => onCorrect(row, { included: event.target.checked })}
                />
              </td>
              <td>
                <Letters address={`/api/intakes/${intakeId}/items/${row.id}/bytes`} sample={row.sample} />
              </td>
              <td>
                {row.slot.label}
                <div className="quiet" style={{ fontSize: 15 }}>
                  {row.slot.weight === row.slot.weightMax
                    ? row.slot.weight
                    : `${row.slot.weight}–${row.slot.weightMax}`}
                  {row.slot.width !== 100 && `, width ${row.slot.width} %`}
                </div>
              </td>
              <td style={{ overflowWrap: "anywhere" }}>
                {baseName(row.path)}
                <div className="quiet" style={{ fontSize: 15 }}>
                  {formatLabels[row.format]}, {kB(row.bytes)}, {row.codePoints} characters
                </div>
              </td>
              <td>
                <VerdictOf row={row} />
              </td>
              <td style={{ whiteSpace: "nowrap", textAlign: "right", paddingRight: 0 }}>
                <Button
                  size="small"
                  aria-expanded={open === row.id}
                  onClick={() => setOpen(open === row.id ? "" : row.id)}
                >
                  Evidence
                </Button>
                {editable && (
                  <Button
                    size="small"
                    aria-label={`Correct ${baseName(row.path)}`}
                    onClick={() => setCorrecting(row)}
                  >
                    Correct
                  </Button>
                )}
              </td>
            </tr>
            {open === row.id && (
              <tr>
                <td />
                <td />
                <td colSpan={4}>
                  <EvidenceOf row={row} />
                </td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
      {correcting && (
        <CorrectDialog
          row={correcting}
          onClose={() => setCorrecting(null)}
          onCorrect={(change) => {
            onCorrect(correcting, change);
            setCorrecting(null);
          }}
        />
      )}
    </table>
  );
}

function Letters({ address, sample }: { address: string; sample: string }) {
  const font = useFontAt(address);
  return (
    <span aria-hidden="true" style={{ ...inFont(font), fontSize: 30, lineHeight: "36px" }}>
      {font === null ? "–" : lettersOf(sample)}
    </span>
  );
}

function VerdictOf({ row }: { row: FileRow }) {
  const goes = row.verdict === "NEW_FACE" || row.verdict === "FURTHER_FORMAT";
  return (
    <>
      <b style={{ color: goes ? "var(--allowed)" : "var(--rubric)" }}>{verdictWords[row.verdict]}</b>
      <div className="quiet" style={{ fontSize: 15 }}>
        {row.because}
      </div>
      {row.notes.map((note) => (
        <div key={note} style={{ color: "var(--soon)", fontSize: 15, overflowWrap: "anywhere" }}>
          {note}
        </div>
      ))}
    </>
  );
}

function EvidenceOf({ row }: { row: FileRow }) {
  return (
    <table className="sheet">
      <tbody>
        {row.evidence.map((item) => (
          <tr key={item.source + item.says}>
            <td style={{ width: 190 }}>{item.source}</td>
            <td>{item.says}</td>
            <td style={{ textAlign: "right" }}>
              {item.agrees ? (
                <span className="quiet">agrees</span>
              ) : (
                <b style={{ color: "var(--soon)" }}>disagrees{item.settled && ` with ${item.settled}`}</b>
              )}
            </td>
          </tr>
        ))}
        <tr>
          <td>Embedding</td>
          <td colSpan={2}>{row.embedding}</td>
        </tr>
        <tr>
          <td>Version</td>
          <td colSpan={2}>{row.version || "not stated"}</td>
        </tr>
        <tr>
          <td>License in the file</td>
          <td colSpan={2}>{row.license || "none"}</td>
        </tr>
        <tr>
          <td>SHA-256</td>
          <td colSpan={2} className="digest" style={{ overflowWrap: "anywhere" }}>
            {row.sha256}
          </td>
        </tr>
      </tbody>
    </table>
  );
}
