/** How it stands with a font that is loaded to set text in it. */
export type FontState =
  | { state: "loading" }
  | { state: "ready"; name: string }
  /** The browser takes it for no font. */
  | { state: "refused" }
  /** It could not be fetched; it is fetched again when next asked for. */
  | { state: "failed" };

type Entry = { users: number; font: FontState; face?: FontFace; listeners: Set<() => void> };

/** How many fonts that nothing is set in any more are kept, in case they are wanted again. */
const UNUSED_KEPT = 60;

const loading: FontState = { state: "loading" };
const entries = new Map<string, Entry>();
let names = 0;

export function stateOf(address: string): FontState {
  return entries.get(address)?.font ?? loading;
}

/** Loads the font at an address, once, for as long as somebody uses it; returns how to stop using it. */
export function loadAt(address: string, listener: () => void): () => void {
  let entry = entries.get(address);
  if (!entry || entry.font.state === "failed") {
    entry = { users: entry?.users ?? 0, font: loading, listeners: entry?.listeners ?? new Set() };
    entries.set(address, entry);
    void load(address, entry);
  }
  const used = entry;
  used.users++;
  used.listeners.add(listener);
  return () => {
    used.users--;
    used.listeners.delete(listener);
    // Moved to the end, so that those unused longest are let go first.
    if (used.users === 0 && entries.get(address) === used) {
      entries.delete(address);
      entries.set(address, used);
      release();
    }
  };
}

function release() {
  const unused = [...entries].filter(([, entry]) => entry.users === 0 && entry.font.state !== "loading");
  for (const [address, entry] of unused.slice(0, Math.max(0, unused.length - UNUSED_KEPT))) {
    entries.delete(address);
    if (entry.face) {
      document.fonts.delete(entry.face);
    }
  }
}

async function load(address: string, entry: Entry): Promise<void> {
  await scrollingRests();
  if (entry.users === 0 && entries.get(address) === entry) {
    // It was scrolled past.
    entries.delete(address);
    return;
  }
  const bytes = await fetched(address);
  await scrollingRests();
  if (bytes === null) {
    settle(entry, { state: "failed" });
    return;
  }
  names++;
  const name = `stored-${names}`;
  try {
    const face = await new FontFace(name, bytes).load();
    document.fonts.add(face);
    entry.face = face;
    settle(entry, { state: "ready", name });
  } catch {
    settle(entry, { state: "refused" });
  }
}

/** How long nothing has scrolled when scrolling has come to rest, in milliseconds. */
const REST = 120;
let scrolledAt = -Infinity;
window.addEventListener("scroll", () => (scrolledAt = performance.now()), { passive: true, capture: true });

/** Each font that comes in makes the browser lay out the page anew, so none comes in while it is scrolled. */
async function scrollingRests(): Promise<void> {
  for (;;) {
    const left = scrolledAt + REST - performance.now();
    if (left <= 0) {
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, left));
  }
}

async function fetched(address: string): Promise<ArrayBuffer | null> {
  try {
    const response = await fetch(address);
    return response.ok ? await response.arrayBuffer() : null;
  } catch {
    return null;
  }
}

function settle(entry: Entry, font: FontState) {
  entry.font = font;
  entry.listeners.forEach((listener) => listener());
}
