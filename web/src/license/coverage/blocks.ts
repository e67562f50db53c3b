import { useQueries } from "@tanstack/react-query";
import { asking } from "../../shared/api/queries";
import type { CoverageTable, Crossed } from "../../shared/api/types";

/** How many families and how many sites are read at once. */
export const block = 40;

export type Filter = { name: string; client: string; used: boolean };

/** What is known of the part of the table that is in view, by the numbers of its rows and columns. */
export type Known = {
  family: (row: number) => { id: string; name: string } | undefined;
  site: (column: number) => CoverageTable["sites"][number] | undefined;
  cell: (row: number, column: number) => Crossed | undefined;
  error: Error | null;
};

/** The numbers of the blocks that a range of rows or columns touches. */
export function blocksOf(first: number, last: number): number[] {
  const from = Math.floor(Math.max(0, first) / block);
  const to = Math.floor(Math.max(first, last) / block);
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

/** Reads the blocks of the table that are in view, each once. */
export function useBlocks(filter: Filter, rows: number[], columns: number[]): Known {
  const wanted = rows.flatMap((row) => columns.map((column) => ({ row, column })));
  const read = useQueries({
    queries: wanted.map(({ row, column }) => ({
      ...asking("/api/coverage", {
        query: {
          limit: block,
          siteLimit: block,
          cursor: row > 0 ? String(row * block) : undefined,
          siteCursor: column > 0 ? String(column * block) : undefined,
          name: filter.name || undefined,
          client: filter.client || undefined,
          used: filter.used,
        },
      }),
      staleTime: 30_000,
    })),
  });
  const table = (row: number, column: number) => {
    const at = wanted.findIndex((one) => one.row === row && one.column === column);
    return read[at]?.data;
  };
  const rowOf = (row: number, column: number) =>
    table(Math.floor(row / block), Math.floor(column / block))?.items[row % block];
  return {
    family: (row) => {
      const found = columns.map((column) => rowOf(row, column * block)).find(Boolean);
      return found && { id: found.familyId, name: found.familyName };
    },
    site: (column) =>
      rows.map((row) => table(row, Math.floor(column / block))?.sites[column % block]).find(Boolean),
    cell: (row, column) => rowOf(row, column)?.crossings[column % block],
    error: read.find((one) => one.error)?.error ?? null,
  };
}
