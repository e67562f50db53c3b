import { useEffect, useRef, type RefObject } from "react";
import { nextPlace } from "./nextPlace";

const able = "a[href], button:not([disabled]), input:not([disabled])";
/** In these, arrow keys do something of their own. */
const typing = "input:not([type=checkbox]), textarea, select, [role=combobox], [role=slider]";

/**
 * Makes one Tab stop of a grid or a list: arrow keys walk over whatever can be pressed in its rows, each marked
 * `data-row`. The element that was walked to last is where Tab comes back to.
 */
export function useRovingFocus<E extends HTMLElement>(): RefObject<E | null> {
  const container = useRef<E>(null);
  useEffect(() => {
    const element = container.current;
    if (!element) {
      return;
    }
    const rows = () =>
      [...element.querySelectorAll<HTMLElement>("[data-row]")]
        .map((row) => [...row.querySelectorAll<HTMLElement>(able)])
        .filter((row) => row.length > 0);
    const stopAt = (chosen: HTMLElement | undefined) => {
      for (const one of rows().flat()) {
        one.tabIndex = one === chosen ? 0 : -1;
      }
    };
    const settle = () => {
      const all = rows().flat();
      if (all.filter((one) => one.tabIndex === 0).length !== 1) {
        stopAt(
          all.find((one) => one === document.activeElement) ??
            all.find((one) => one.getAttribute("aria-pressed") === "true") ??
            all[0],
        );
      }
    };
    const onFocus = (event: FocusEvent) => {
      const target = event.target as HTMLElement;
      if (rows().some((row) => row.includes(target))) {
        stopAt(target);
      }
    };
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        event.defaultPrevented ||
        event.ctrlKey ||
        event.altKey ||
        event.metaKey ||
        target.matches(typing)
      ) {
        return;
      }
      const grid = rows();
      const row = grid.findIndex((one) => one.includes(target));
      if (row < 0) {
        return;
      }
      const next = nextPlace(
        event.key,
        { row, column: grid[row]!.indexOf(target) },
        grid.map((one) => one.length),
      );
      if (next) {
        event.preventDefault();
        grid[next.row]?.[next.column]?.focus();
      }
    };
    settle();
    // Once for all that changes before the next frame.
    let waiting = 0;
    const changes = new MutationObserver(() => {
      waiting ||= requestAnimationFrame(() => {
        waiting = 0;
        settle();
      });
    });
    changes.observe(element, { childList: true, subtree: true });
    element.addEventListener("focusin", onFocus);
    element.addEventListener("keydown", onKey);
    return () => {
      changes.disconnect();
      cancelAnimationFrame(waiting);
      element.removeEventListener("focusin", onFocus);
      element.removeEventListener("keydown", onKey);
    };
  }, []);
  return container;
}
