import TextField from "@mui/material/TextField";
import { useState, type ReactNode } from "react";
import { Leaf, Line } from "../layout/Leaf";
import { Shown } from "../states/States";
import { Rows } from "./Rows";
import { useSettled } from "./useSettled";

/** Words by which a list is narrowed: as they are typed, and once typing has come to rest. */
export function useFilter(initial = "") {
  const [typed, setTyped] = useState(initial);
  return { typed, setTyped, words: useSettled(typed.trim()) };
}

type Props<T> = {
  title: string;
  below?: string;
  /** The leaves of the place, where it has several. */
  leaves?: ReactNode;
  /** What can be begun from here, before the field that narrows the list. */
  actions?: ReactNode;
  filter: ReturnType<typeof useFilter>;
  filterLabel: string;
  /** What else narrows or orders the list, under its head. */
  narrowed?: ReactNode;
  list: { items?: T[]; error: Error | null; again: () => void; more?: () => void; loadingMore: boolean };
  /** Whether what stands beside the first rows is known: they come with it, so that nothing moves under the pointer. */
  ready: boolean;
  /** What is said when nothing is there, or nothing that the words fit. */
  none: ReactNode;
  /** What stands before the list. */
  above?: ReactNode;
  /** What heads the rows. */
  head?: ReactNode;
  /** About how high a row is, in CSS pixels. */
  height: number;
  row: (item: T, index: number) => ReactNode;
  /** Names a row, when a record has more than one. */
  keyOf?: (item: T) => string;
};

/** The page of a place that lists its records, narrowed by words. */
export function RecordList<T extends { id: string }>(props: Props<T>) {
  const { list, filter } = props;
  // Once shown, a list stays while it becomes another.
  const [shown, setShown] = useState(false);
  if (props.ready && list.items && !shown) {
    setShown(true);
  }
  return (
    <Leaf
      title={props.title}
      below={props.below}
      leaves={props.leaves}
      actions={
        <>
          {props.actions}
          <TextField
            label={props.filterLabel}
            size="small"
            value={filter.typed}
            onChange={(event) => filter.setTyped(event.target.value)}
          />
        </>
      }
    >
      {props.above}
      {props.narrowed && <Line>{props.narrowed}</Line>}
      <Shown of={{ data: shown ? list.items : undefined, error: list.error, refetch: list.again }} lines={9}>
        {(items) =>
          items.length === 0 ? (
            <Line>
              <p className="empty">{props.none}</p>
            </Line>
          ) : (
            <>
              {props.head && <Line>{props.head}</Line>}
              <Rows
                label={props.title}
                items={items}
                keyOf={props.keyOf ?? ((item) => item.id)}
                height={props.height}
                more={list.more}
                loadingMore={list.loadingMore}
                row={props.row}
              />
            </>
          )
        }
      </Shown>
    </Leaf>
  );
}
