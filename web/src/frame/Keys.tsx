import { lazy, Suspense, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useNavigate } from "react-router";
import { singleKeys, useStoredChoice } from "../shared/parts/useStoredChoice";
import { places, words } from "./words";

const KeysAndSigns = lazy(async () => ({ default: (await import("./KeysAndSigns")).KeysAndSigns }));

/** Inside of these, letters are typed or choose something. */
const ownKeys = "[role=dialog], [role=menu], [role=listbox], [role=combobox]";
/** Over the page; the focus reaches it a moment after it has opened. */
const dialog = "[role=dialog]";

function isForAnother(event: KeyboardEvent) {
  return document.querySelector(dialog) !== null || (event.target as HTMLElement).closest?.(ownKeys) !== null;
}

/** The single keys and the legend of the signs; `g` and a letter goes to a place, `/` searches, `?` lists them. */
export function Keys() {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [kept] = useStoredChoice(singleKeys, "on");
  const enabled = kept === "on";
  const options = {
    enabled,
    useKey: true,
    ignoreEventWhen: isForAnother,
  };
  useHotkeys(
    places.map(({ key }) => `g>${key}`),
    (event, { keys }) => {
      const place = places.find(({ key }) => key === keys?.at(-1));
      // the library asks `ignoreEventWhen` of single keys only
      if (place && !isForAnother(event)) {
        void navigate(place.to);
      }
    },
    { ...options, sequenceTimeoutMs: 1500 },
  );
  useHotkeys("?", () => setOpen(true), options);
  useHotkeys("/", () => document.getElementById("search")?.focus(), { ...options, preventDefault: true });
  return (
    <>
      <button type="button" className="rail-place rail-button" onClick={() => setOpen(true)}>
        {words.keysAndSigns}
      </button>
      {open && (
        <Suspense>
          <KeysAndSigns keys={enabled} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
