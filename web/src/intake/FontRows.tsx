import Checkbox from "@mui/material/Checkbox";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import type { Correction, FileRow } from "../shared/api/types";
import { PlaceDialog } from "../shared/font/PlaceDialog";
import { lettersOf } from "../shared/font/sample";
import { onlyInFont, lettersAt, useFontAt } from "../shared/font/storedFont";
import { baseName, formatName, kB, number } from "../shared/parts/format";
import { choicesOf, chosenOf, comparable, correctionFor, type Choice } from "./arrivals";
import { EvidenceOf } from "./EvidenceOf";
import { RowActs } from "./RowActs";
import { choiceWords, replacing, verdictWords, words } from "./words";

type Correct = (row: FileRow, change: Correction) => Promise<unknown>;
type Props = {
  intakeId: string;
  rows: FileRow[];
  /** The sites that use the family, which replacing a version concerns. */
  usedBy: string[];
  editable: boolean;
  busy: boolean;
  onCorrect: Correct;
};

/** The fonts of one family under review: what each is, its verdict, its evidence on demand. */
export function FontRows({ intakeId, rows, usedBy, editable, busy, onCorrect }: Props) {
  return rows.map((row) => (
    <FontRow
      key={row.id}
      intakeId={intakeId}
      row={row}
      usedBy={usedBy}
      editable={editable}
      busy={busy}
      onCorrect={onCorrect}
    />
  ));
}

type RowProps = Omit<Props, "rows"> & { row: FileRow };

function FontRow({ intakeId, row, usedBy, editable, busy, onCorrect }: RowProps) {
  const address = `/api/intakes/${intakeId}/items/${row.id}`;
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
          slotProps={{ input: { "aria-label": `Add ${name}` } }}
          onChange={(event) => void onCorrect(row, { included: event.target.checked }).catch(() => undefined)}
        />
        <Letters address={address} sample={row.sample} />
        <div>
          {row.slot.label}
          <div className="quiet small">
            {numbersOf(row)}
            {row.subfamily && row.subfamily !== row.slot.label && `, called ${row.subfamily}`}
          </div>
        </div>
        <div className="breaks">
          {name}
          <div className="quiet small">
            {formatName(row.format)}, {kB(row.bytes)}, {number(row.codePoints)} characters
          </div>
        </div>
        <div>
          <VerdictOf row={row} />
          {editable && (row.asks || row.replaces) && (
            <Choices
              row={row}
              usedBy={usedBy}
              busy={busy}
              onChoose={(choice) => void onCorrect(row, correctionFor(choice)).catch(() => undefined)}
            />
          )}
        </div>
        <RowActs
          more={words.evidence}
          name={name}
          compare={comparable(row.verdict) ? `/intake/${intakeId}/compare/${row.id}` : undefined}
          open={open}
          onOpen={setOpen}
          onCorrect={editable ? () => setCorrecting(true) : undefined}
        />
      </div>
      {open && <EvidenceOf row={row} />}
      {correcting && (
        <PlaceDialog
          title={name}
          action={words.correct}
          leave={words.leave}
          family={row.family}
          slot={row.slot}
          onClose={() => setCorrecting(false)}
          onSave={(change) => onCorrect(row, change)}
        />
      )}
    </>
  );
}

function Choices(props: {
  row: FileRow;
  usedBy: string[];
  busy: boolean;
  onChoose: (choice: Choice) => void;
}) {
  const { row } = props;
  const choices = choicesOf(row.verdict);
  const mayReplace = choices.includes("replace");
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        disabled={props.busy}
        value={chosenOf(row)}
        aria-label={`${words.decide}: ${baseName(row.path)}`}
        onChange={(_, choice: Choice | null) => choice && props.onChoose(choice)}
      >
        {choices.map((choice) => (
          <ToggleButton key={choice} value={choice}>
            {choice === "in" && !mayReplace ? words.takeIn : choiceWords[choice]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {mayReplace && <div className="quiet small">{replacing(props.usedBy)}</div>}
    </>
  );
}

function numbersOf({ slot }: FileRow): string {
  const weight = slot.weight === slot.weightMax ? String(slot.weight) : `${slot.weight}–${slot.weightMax}`;
  return slot.width === 100 ? weight : `${weight}, width ${slot.width}%`;
}

function Letters({ address, sample }: { address: string; sample: string }) {
  const letters = lettersOf(sample);
  const font = useFontAt(lettersAt(address, letters));
  return (
    <span aria-hidden="true" className="font-letters" style={onlyInFont(font)}>
      {font.state === "refused" ? "–" : letters}
    </span>
  );
}

function VerdictOf({ row }: { row: FileRow }) {
  return (
    <>
      <b className={row.asks ? "rubric" : row.included ? "green" : "quiet"}>{verdictWords[row.verdict]}</b>
      <div className="quiet small">{row.because}</div>
      {[...row.notes, ...row.warnings].map((note) => (
        <div key={note} className="ochre small breaks">
          {note}
        </div>
      ))}
    </>
  );
}
