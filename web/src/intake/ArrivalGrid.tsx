import Tooltip from "@mui/material/Tooltip";
import type { IntakeFamily } from "../shared/api/types";
import { Sign } from "../shared/flag/Sign";
import { lettersOf } from "../shared/font/sample";
import { shownFile, weightKey } from "../shared/font/slots";
import { onlyInFont, lettersAt, useFontAt } from "../shared/font/storedFont";
import { arrivalGrid, inkOf, type ArrivalCell } from "./arrivals";
import { cellInWords } from "./words";

/** A family of an intake: what is held in ink, what arrives in another, and what has to be decided under its sign. */
export function ArrivalGrid({ intakeId, family }: { intakeId: string; family: IntakeFamily }) {
  const grid = arrivalGrid(family);
  return (
    <div className="slots-scroll">
      <table className="slots small">
        <tbody>
          {grid.rows.map((row) => (
            <tr key={row.key}>
              {row.cells.map((cell, i) => (
                <td key={weightKey(grid.weights[i]!)}>
                  {cell ? <ArrivalSlot intakeId={intakeId} cell={cell} /> : <span className="slot none" />}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function ArrivalSlot({ intakeId, cell }: { intakeId: string; cell: ArrivalCell }) {
  const ink = inkOf(cell);
  const held = shownFile(cell.held);
  const letters = lettersOf(cell.arrival?.sample ?? held?.sample ?? "");
  const font = useFontAt(
    cell.arrival
      ? lettersAt(`/api/intakes/${intakeId}/items/${cell.arrival.itemId}`, letters)
      : held && lettersAt(`/api/files/${held.sha256}`, letters),
  );
  const words = cellInWords(cell, ink);
  return (
    <Tooltip title={words}>
      <span className={`slot ink-${ink}`} role="img" aria-label={words}>
        <span className="letters" aria-hidden="true" style={onlyInFont(font)}>
          {font.state === "refused" ? "×" : letters}
        </span>
        {ink === "asks" && (
          <span className="corner">
            <Sign group="DUPLICATE" size={12} decoration />
          </span>
        )}
      </span>
    </Tooltip>
  );
}
