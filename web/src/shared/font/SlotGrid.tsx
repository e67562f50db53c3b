import Tooltip from "@mui/material/Tooltip";
import { useState } from "react";
import type { HeldFile, Slot } from "../api/types";
import { Sign } from "../flag/Sign";
import { useRovingFocus } from "../parts/useRovingFocus";
import { lettersOf } from "./sample";
import { cellInWords, drawn, formatsOf, gridOf, weightKey, weightWords, type Ask, type Cell } from "./slots";
import { onlyInFont, useLetters } from "./storedFont";

type Props = {
  files: HeldFile[];
  asks: Ask[];
  /** At the height of a row of a list, without the names of weights and slopes. */
  small?: boolean;
  /** Whether no license covers a slot. */
  unlicensed?: boolean;
  picked?: (slot: Slot) => boolean;
  onPick?: (cell: Cell) => void;
  /** What a slot weighs as it would be delivered, in words, where that is known: said in place of the formats held. */
  weighs?: (slot: Slot) => string | undefined;
};

/** A family as weights across and slopes down, every filled slot set in its very file. */
export function SlotGrid({ files, asks, small, unlicensed = false, picked, onPick, weighs }: Props) {
  const grid = gridOf(files, asks);
  const walk = useRovingFocus<HTMLDivElement>();
  return (
    <div className="slots-scroll" ref={onPick ? walk : undefined}>
      <table className={small ? "slots small" : "slots"}>
        {!small && (
          <thead>
            <tr>
              <td />
              {grid.weights.map((slot) => (
                <th key={weightKey(slot)} scope="col">
                  <b>{weightWords(slot).figure}</b> <span>{weightWords(slot).name}</span>
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody>
          {grid.rows.map((row) => (
            <tr key={row.key} data-row>
              {!small && <th scope="row">{row.label}</th>}
              {row.cells.map((cell, i) => (
                <td key={weightKey(grid.weights[i]!)}>
                  {cell ? (
                    <SlotCell
                      cell={cell}
                      small={small}
                      unlicensed={unlicensed}
                      picked={picked?.(cell.slot)}
                      onPick={onPick}
                      weighs={weighs?.(cell.slot)}
                    />
                  ) : (
                    <span className="slot none" />
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type CellProps = Pick<Props, "small" | "onPick"> & {
  cell: Cell;
  unlicensed: boolean;
  picked?: boolean;
  weighs?: string;
};

function SlotCell({ cell, small, unlicensed, picked, onPick, weighs }: CellProps) {
  // A list has hundreds of slots; the words beside the pointer are made when it comes.
  const [pointed, setPointed] = useState(!small);
  const drawings = drawn(cell.files);
  const empty = cell.files.length === 0;
  const clash = drawings.length > 1;
  const classes = [
    "slot",
    empty && "asked",
    clash && "clash",
    unlicensed && !empty && "unlicensed",
    picked && "picked",
  ];
  const className = classes.filter(Boolean).join(" ");
  const words = cellInWords(cell, unlicensed, weighs);
  const inside = (
    <>
      <span className="letters" aria-hidden="true">
        {empty ? (
          <Sign group="MISSING" size={small ? 15 : 24} decoration />
        ) : (
          drawings.map((file) => <Letters key={file.id} file={file} />)
        )}
      </span>
      {!empty && (clash || unlicensed) && !small && (
        <span className="corner">
          <Sign group={clash ? "DUPLICATE" : "UNLICENSED"} size={15} decoration />
        </span>
      )}
      <span className="held" aria-hidden="true">
        {small ? <SmallMarks files={cell.files} /> : empty ? "asked for" : (weighs ?? formatsOf(cell.files))}
      </span>
    </>
  );
  const slot = onPick ? (
    <button
      type="button"
      className={className}
      aria-label={words}
      aria-pressed={picked}
      onClick={() => onPick(cell)}
    >
      {inside}
    </button>
  ) : (
    <span className={className} role="img" aria-label={words} onPointerEnter={() => setPointed(true)}>
      {inside}
    </span>
  );
  return pointed ? <Tooltip title={words}>{slot}</Tooltip> : slot;
}

function Letters({ file }: { file: HeldFile }) {
  const letters = lettersOf(file.sample);
  const font = useLetters(file.sha256, letters);
  return <span style={onlyInFont(font)}>{font.state === "refused" ? "×" : letters}</span>;
}

function SmallMarks({ files }: { files: HeldFile[] }) {
  const web = files.some((file) => file.format.startsWith("woff"));
  const desktop = files.some((file) => !file.format.startsWith("woff"));
  return (
    <>
      {desktop && <span className="mark-desktop" />}
      {web && <span className="mark-web" />}
    </>
  );
}
