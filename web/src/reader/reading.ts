/** What the reader takes along of a page, as `docs/page-reading.md` describes it. */
export type BrowserReading = {
  version: 1;
  page: string;
  base: string;
  title: string;
  textKept: boolean;
  quirks: boolean;
  window: { width: number; height: number };
  document: string;
  styles: TextStyle[];
  sheets: Sheet[];
  preloads: { address: string; crossOrigin: boolean }[];
  scriptFamilies: string[];
  files: FetchedFile[];
};

/** Computed font properties; width in percent, size in CSS pixels. */
export type TextStyle = { family: string; weight: number; slope: string; width: number; size: number };

/** A style sheet by its address, or by its text if it has none. */
export type Sheet = { address: string | null; text: string | null; media: string };

/** A file as the browser was given it; status 0 when it was given no answer. */
export type FetchedFile = {
  address: string;
  at: string | null;
  status: number;
  headers: Record<string, string> | null;
  base64: string | null;
};
