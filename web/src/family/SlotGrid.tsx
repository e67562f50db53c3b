import Tooltip from "@mui/material/Tooltip";
import { Sign } from "../flag/Sign";
import type { HeldFile, Slot } from "../shared/api/types";
import { formatLabels } from "../shared/parts/format";
import { lettersOf } from "../shared/parts/sample";
import { gridOf, shownFile, type Ask, type Cell } from "./slots";
import { inFont, useStoredFont } from "./storedFont";

type Props = {
  files: HeldFile[];
  asks: Ask[];
  small?: boolean;
  /** Whether no license covers a slot. */
  unlicensed?: boolean;
  picked?: (slot: Slot) => boolean;
  onPick?: (cell: Cell) => void;
};

/** A family as weights across and slopes down, every filled slot set in its very file. */
export function SlotGrid({ files, asks, small, unlicensed, picked, onPick }: Props) {
  const grid = gridOf(files, asks);
  return (
    <div style={{ overflowX: "auto" }}>
      <table className={small ? "slots small" : "slots"}>
        {!small && (
          <thead>
            <tr>
              <td />
              {grid.weights.map((slot) => (
                <th key={`${slot.weight}-${slot.weightMax}`} scope="col">
                  <b>{slot.weight === slot.weightMax ? slot.weight : `${slot.weight}–${slot.weightMax}`}</b>{" "}
                  {weightName(slot)}
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody>
          {grid.rows.map((row) => (
            <tr key={row.label}>
              {!small && <th scope="row">{row.label}</th>}
              {row.cells.map((cell, i) => (
                <td key={grid.weights[i]!.weight} style={{ padding: 0 }}>
                  {cell ? (
                    <SlotCell
                      cell={cell}
                      small={small}
                      unlicensed={unlicensed}
                      picked={picked?.(cell.slot)}
                      onPick={onPick}
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

function SlotCell(props: {
  cell: Cell;
  small?: boolean;
  unlicensed?: boolean;
  picked?: boolean;
  onPick?: (cell: Cell) => void;
}) {
  const { cell, small, unlicensed, picked, onPick } = props;
  const drawings = drawn(cell.files);
  const empty = cell.files.length === 0;
  const classes = [
    "slot",
    empty ? "asked" : "",
    drawings.length > 1 ? "clash" : "",
    unlicensed && !empty ? "unlicensed" : "",
    picked ? "picked" : "",
  ].join(" ");
  const words = describe(cell, drawings.length, !!unlicensed);
  const inside = (
    <>
      <span className="letters" aria-hidden="true">
        {empty ? (
          <Sign group="MISSING" size={small ? 15 : 24} />
        ) : (
          drawings.map((file) => <Letters key={file.id} file={file} />)
        )}
      </span>
      {!empty && (drawings.length > 1 || unlicensed) && !small && (
        <span className="corner">
          <Sign group={drawings.length > 1 ? "DUPLICATE" : "UNLICENSED"} size={15} />
        </span>
      )}
      <span className="held" aria-hidden="true">
        {small ? <SmallMarks files={cell.files} /> : empty ? "asked for" : formats(cell.files)}
      </span>
    </>
  );
  return (
    <Tooltip title={words}>
      {onPick ? (
        <button
          type="button"
          className={classes}
          aria-label={words}
          aria-pressed={picked}
          onClick={() => onPick(cell)}
        >
          {inside}
        </button>
      ) : (
        <span className={classes} role="img" aria-label={words}>
          {inside}
        </span>
      )}
    </Tooltip>
  );
}

function Letters({ file }: { file: HeldFile }) {
  const font = useStoredFont(file.sha256);
  return <span style={inFont(font)}>{font === null ? "×" : lettersOf(file.sample)}</span>;
}

/** One file for each different drawing. */
function drawn(files: HeldFile[]): HeldFile[] {
  const byDrawing = new Map<string, HeldFile[]>();
  for (const file of files) {
    byDrawing.set(file.drawing, [...(byDrawing.get(file.drawing) ?? []), file]);
  }
  return [...byDrawing.values()].map((same) => shownFile(same)!);
}

function formats(files: HeldFile[]): string {
  return [...new Set(files.map((file) => formatLabels[file.format] ?? file.format))].sort().join(" ");
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

function weightName(slot: Slot): string {
  const names: Record<number, string> = {
    100: "Thin",
    200: "Extra Light",
    300: "Light",
    400: "Regular",
    500: "Medium",
    600: "Semi Bold",
    700: "Bold",
    800: "Extra Bold",
    900: "Black",
  };
  return slot.weight === slot.weightMax ? (names[slot.weight] ?? "") : "";
}

function describe(cell: Cell, drawings: number, unlicensed: boolean): string {
  const held = cell.files.length === 0 ? "not held" : `held as ${formats(cell.files)}`;
  const clash = drawings > 1 ? `, ${drawings} drawings clash` : "";
  const license = unlicensed ? ", no license" : "";
  const asked = cell.askedBy.length > 0 ? `; asked for by ${cell.askedBy.join(", ")}` : "";
  return `${cell.slot.label || cell.slot.key}: ${held}${clash}${license}${asked}`;
}
