import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useId, useRef, useState } from "react";
import { Link } from "react-router";
import type { Crossed } from "../../shared/api/types";
import { blocksOf, useBlocks, type Filter } from "./blocks";
import { step, type At } from "./walk";
import { cellInWords, signs, words } from "./words";

const CELL = 34;
const NAMES = 200;
const HEADS = 150;
const SCROLLBAR = 16;

type Props = {
  rows: number;
  columns: number;
  filter: Filter;
  onChoose: (familyId: string, siteId: string) => void;
};

/** The table of crossings, of which only what is in view is read and drawn. It has one Tab stop; arrow keys walk. */
export function Grid({ rows, columns, filter, onChoose }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const name = useId();
  const [at, setAt] = useState<At | null>(null);
  const down = useVirtualizer({
    count: rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => CELL,
    overscan: 6,
    scrollPaddingStart: HEADS,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns,
    getScrollElement: () => scroller.current,
    estimateSize: () => CELL,
    overscan: 4,
    scrollPaddingStart: NAMES,
  });
  const drawnRows = down.getVirtualItems();
  const drawnColumns = across.getVirtualItems();
  const known = useBlocks(
    filter,
    blocksOf(drawnRows[0]?.index ?? 0, drawnRows.at(-1)?.index ?? 0),
    blocksOf(drawnColumns[0]?.index ?? 0, drawnColumns.at(-1)?.index ?? 0),
  );
  const choose = (to: At) => {
    setAt(to);
    down.scrollToIndex(to.row);
    across.scrollToIndex(to.column);
    const family = known.family(to.row);
    const site = known.site(to.column);
    if (family && site) {
      onChoose(family.id, site.id);
    }
  };
  const id = (row: number, column: number) => `${name}-${row}-${column}`;
  return (
    <div
      ref={scroller}
      className="coverage"
      style={{ height: HEADS + rows * CELL + SCROLLBAR }}
      role="grid"
      tabIndex={0}
      aria-label={words.title}
      aria-rowcount={rows + 1}
      aria-colcount={columns + 1}
      aria-activedescendant={at ? id(at.row, at.column) : undefined}
      onFocus={() => at ?? choose({ row: 0, column: 0 })}
      onKeyDown={(event) => {
        if (event.ctrlKey || event.metaKey || event.altKey) {
          return;
        }
        const to = step(
          event.key,
          at ?? { row: 0, column: 0 },
          { rows, columns },
          (row) => known.family(row)?.name,
        );
        if (to) {
          event.preventDefault();
          event.stopPropagation();
          choose(to);
        }
      }}
    >
      <div
        role="rowgroup"
        style={{ width: NAMES + across.getTotalSize(), height: HEADS + down.getTotalSize() }}
      >
        <div role="row" className="coverage-heads" style={{ height: HEADS }}>
          {drawnColumns.map(({ index, start }) => (
            <span
              key={index}
              role="columnheader"
              aria-colindex={index + 2}
              className={at?.column === index ? "coverage-head here" : "coverage-head"}
              style={{ left: NAMES + start }}
            >
              {known.site(index)?.name ?? words.loading}
            </span>
          ))}
        </div>
        {drawnRows.map(({ index: row, start }) => {
          const family = known.family(row);
          return (
            <div
              key={row}
              role="row"
              aria-rowindex={row + 2}
              className={at?.row === row ? "coverage-row here" : "coverage-row"}
              style={{ top: HEADS + start, height: CELL }}
            >
              <span role="rowheader" className="coverage-name" style={{ width: NAMES }}>
                {family ? (
                  <Link to={`/families/${family.id}`} tabIndex={-1}>
                    {family.name}
                  </Link>
                ) : (
                  words.loading
                )}
              </span>
              {drawnColumns.map(({ index: column, start: left }) => (
                <Cell
                  key={column}
                  id={id(row, column)}
                  left={NAMES + left}
                  column={column}
                  said={cellInWords(
                    family?.name ?? "",
                    known.site(column)?.name ?? "",
                    known.cell(row, column),
                  )}
                  cell={known.cell(row, column)}
                  here={at?.row === row && at.column === column}
                  onPress={() => choose({ row, column })}
                />
              ))}
            </div>
          );
        })}
      </div>
      {known.error && <p className="rubric">{known.error.message}</p>}
    </div>
  );
}

type CellProps = {
  id: string;
  left: number;
  column: number;
  said: string;
  cell: Crossed | undefined;
  here: boolean;
  onPress: () => void;
};

const Cell = memo(
  function Cell({ id, left, column, said, cell, here, onPress }: CellProps) {
    const classes = ["coverage-cell", cell?.verdict.toLowerCase(), cell?.asked && "asked", here && "here"];
    return (
      // Keys are heard by the grid, whose active descendant this is.
      // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/interactive-supports-focus
      <span
        id={id}
        role="gridcell"
        aria-colindex={column + 2}
        aria-selected={here}
        aria-label={said}
        title={said}
        className={classes.filter(Boolean).join(" ")}
        style={{ left }}
        onClick={onPress}
      >
        {cell && signs[cell.verdict]}
      </span>
    );
  },
  (a, b) => a.cell === b.cell && a.here === b.here && a.left === b.left && a.said === b.said,
);
