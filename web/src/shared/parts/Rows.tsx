import { defaultRangeExtractor, useWindowVirtualizer } from "@tanstack/react-virtual";
import { memo, useEffect, useLayoutEffect, useState, type ReactNode } from "react";
import { useRovingFocus } from "./useRovingFocus";

type Props<T> = {
  items: T[];
  keyOf: (item: T) => string;
  /** About how high a row is, in CSS pixels, until it is measured. */
  height: number;
  row: (item: T, index: number) => ReactNode;
  more?: () => void;
  loadingMore?: boolean;
  label: string;
};

/** How many rows are drawn beyond the view, on each side. */
const NEAR = 8;

/** A long list of which only what is near the view is drawn; the next page is read when its end comes near. */
export function Rows<T>({ items, keyOf, height, row, more, loadingMore, label }: Props<T>) {
  const walk = useRovingFocus<HTMLDivElement>();
  const [top, setTop] = useState(0);
  const [focused, setFocused] = useState<number | null>(null);
  useLayoutEffect(() => {
    const place = () => setTop((walk.current?.getBoundingClientRect().top ?? 0) + window.scrollY);
    place();
    window.addEventListener("resize", place);
    return () => window.removeEventListener("resize", place);
  }, [walk]);
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => height,
    overscan: NEAR,
    scrollMargin: top,
    getItemKey: (index) => keyOf(items[index]!),
    // The row that has the focus stays drawn however far one scrolls from it.
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      return focused === null || focused >= range.count || near.includes(focused)
        ? near
        : [...near, focused].sort((a, b) => a - b);
    },
  });
  const drawn = virtual.getVirtualItems();
  const nearEnd = drawn.some(({ index }) => index >= items.length - 6);
  useEffect(() => {
    if (nearEnd && more && !loadingMore) {
      more();
    }
  }, [nearEnd, more, loadingMore]);
  return (
    <div
      ref={walk}
      role="list"
      aria-label={label}
      className="rows"
      style={{ height: virtual.getTotalSize() }}
    >
      {drawn.map(({ index, key, start }) => (
        <div
          key={key}
          ref={virtual.measureElement}
          data-index={index}
          data-row
          onFocus={() => setFocused(index)}
          onBlur={() => setFocused(null)}
          role="listitem"
          aria-setsize={more ? -1 : items.length}
          aria-posinset={index + 1}
          className="rows-row"
          style={{ transform: `translateY(${start - top}px)` }}
        >
          <Drawn item={items[index]} index={index} row={row as DrawnRow} />
        </div>
      ))}
    </div>
  );
}

type DrawnRow = (item: unknown, index: number) => ReactNode;

/** What is in a row, drawn anew only when the item or the way of drawing it is another, and not at each scrolling. */
const Drawn = memo(function Drawn({ item, index, row }: { item: unknown; index: number; row: DrawnRow }) {
  return row(item, index);
});
