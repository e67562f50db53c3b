import type { FetchedFile } from "./reading";

const atOnce = 6;
const longest = 20_000;
const mostFiles = 250;
/** Of all files together, in Base64: the server takes no more. */
const mostBytes = 6_000_000;

/**
 * Fetches files as the page itself would, most of them from the browser's cache, each once and in their order; what
 * would be too much in all is left out.
 */
export async function filesOf(addresses: string[], page: string): Promise<FetchedFile[]> {
  const wanted = [...new Set(addresses)].slice(0, mostFiles);
  const waiting = [...wanted];
  const files = new Map<string, FetchedFile>();
  let bytes = 0;
  const work = async () => {
    for (let address = waiting.shift(); address !== undefined; address = waiting.shift()) {
      const file = await fetched(address, page);
      const size = file.base64?.length ?? 0;
      if (bytes + size <= mostBytes) {
        bytes += size;
        files.set(address, file);
      }
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  return wanted.flatMap((address) => files.get(address) ?? []);
}

async function fetched(address: string, page: string): Promise<FetchedFile> {
  const own = new URL(address).origin === new URL(page).origin;
  try {
    const answer = await fetch(address, {
      cache: "force-cache",
      credentials: own ? "same-origin" : "omit",
      signal: AbortSignal.timeout(longest),
    });
    return {
      address,
      at: answer.url || address,
      status: answer.status,
      headers: Object.fromEntries([...answer.headers].filter(([name]) => told.has(name))),
      base64: base64(new Uint8Array(await answer.arrayBuffer())),
    };
  } catch {
    return { address, at: null, status: 0, headers: null, base64: null };
  }
}

/** The headers that say how a file is sent; no others leave the browser. */
const told = new Set([
  "cache-control",
  "content-encoding",
  "content-type",
  "etag",
  "expires",
  "last-modified",
]);

export function base64(bytes: Uint8Array): string {
  let text = "";
  for (let i = 0; i < bytes.length; i += 0x8000) {
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  }
  return btoa(text);
}
