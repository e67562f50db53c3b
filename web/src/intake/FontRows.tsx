import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import type { Correction, FileRow } from "../shared/api/types";
import { lettersOf } from "../shared/font/sample";
import { inFont, useFontAt } from "../shared/font/storedFont";
import { baseName, formatName, kB, number } from "../shared/parts/format";
import { CorrectDialog } from "./CorrectDialog";
import { EvidenceOf } from "./EvidenceOf";
import { verdictWords, words } from "./words";

type Correct = (row: FileRow, change: Correction) => Promise<unknown>;
type Props = { intakeId: string; rows: FileRow[]; editable: boolean; busy: boolean; onCorrect: Correct };

/** The fonts of one family under review: what each is, its verdict, its evidence on demand. */
export function FontRows({ intakeId, rows, editable, busy, onCorrect }: Props) {
  return rows.map((row) => (
    <FontRow
      key={row.id}
      address={`/api/intakes/${intakeId}/items/${row.id}/bytes`}
      row={row}
      editable={editable}
      busy={busy}
      onCorrect={onCorrect}
    />
  ));
}

type RowProps = Omit<Props, "rows" | "intakeId"> & { row: FileRow; address: string };

function FontRow({ row, address, editable, busy, onCorrect }: RowProps) {
  const [open, setOpen] = useState(false);
  const [correcting, setCorrecting] = useState(false);
  const name = baseName(row.path);
  return (
    <>
      <div className="font-row" data-row role="group" aria-label={name}>
        <Checkbox
          size="small"
          sx={{ p: 0 }}
          checked={row.included}
          disabled={!editable || busy}
          slotProps={{ input: { "aria-label": `Take in ${name}` } }}
          onChange={(event) => void onCorrect(row, { included: event.target.checked }).catch(() => undefined)}
        />
        <Letters address={address} sample={row.sample} />
        <div>
          {row.slot.label}
          <div className="quiet small">{numbersOf(row)}</div>
        </div>
        <div className="breaks">
          {name}
          <div className="quiet small">
            {formatName(row.format)}, {kB(row.bytes)}, {number(row.codePoints)} characters
          </div>
        </div>
        <div>
          <VerdictOf row={row} />
        </div>
        <div className="acts">
          <Button
            size="small"
            aria-expanded={open}
            aria-label={`${words.evidence} of ${name}`}
            onClick={() => setOpen(!open)}
          >
            {words.evidence}
          </Button>
          {editable && (
            <Button size="small" aria-label={`${words.correct} ${name}`} onClick={() => setCorrecting(true)}>
              {words.correct}
            </Button>
          )}
        </div>
      </div>
      {open && <EvidenceOf row={row} />}
      {correcting && (
        <CorrectDialog
          row={row}
          onClose={() => setCorrecting(false)}
          onCorrect={(change) => onCorrect(row, change)}
        />
      )}
    </>
  );
}

function numbersOf({ slot }: FileRow): string {
  const weight = slot.weight === slot.weightMax ? String(slot.weight) : `${slot.weight}–${slot.weightMax}`;
  return slot.width === 100 ? weight : `${weight}, width ${slot.width} %`;
}

function Letters({ address, sample }: { address: string; sample: string }) {
  const font = useFontAt(address);
  return (
    <span aria-hidden="true" className="font-letters" style={inFont(font)}>
      {font.state === "refused" ? "–" : lettersOf(sample)}
    </span>
  );
}

function VerdictOf({ row }: { row: FileRow }) {
  const goes = row.verdict === "NEW_FACE" || row.verdict === "FURTHER_FORMAT";
  return (
    <>
      <b className={goes ? "green" : "rubric"}>{verdictWords[row.verdict]}</b>
      <div className="quiet small">{row.because}</div>
      {row.notes.map((note) => (
        <div key={note} className="ochre small breaks">
          {note}
        </div>
      ))}
    </>
  );
}
