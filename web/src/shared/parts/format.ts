/** Bytes as kB, the way they are counted when sent. */
export function kB(bytes: number): string {
  if (bytes < 100) {
    return `${bytes} B`;
  }
  const value = bytes / 1000;
  return `${value < 10 ? value.toFixed(1) : Math.round(value).toLocaleString()} kB`;
}

export function day(iso: string | null | undefined): string {
  return iso
    ? new Date(iso.length === 10 ? `${iso}T12:00` : iso).toLocaleDateString(undefined, {
        dateStyle: "medium",
      })
    : "";
}

/** A sentence of the server with its dates as the reader writes them. */
export function localDates(sentence: string): string {
  return sentence.replace(/\d{4}-\d{2}-\d{2}/g, (iso) => day(iso));
}

export function moment(iso: string): string {
  return new Date(iso).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });
}

export function count(n: number, one: string, many = `${one}s`): string {
  return `${n.toLocaleString()} ${n === 1 ? one : many}`;
}

/** The last part of a path within an archive. */
export function baseName(path: string): string {
  return path.slice(path.lastIndexOf("/") + 1);
}

export const formatLabels: Record<string, string> = {
  ttf: "TTF",
  otf: "OTF",
  woff: "WOFF",
  woff2: "WOFF2",
  collection: "TTC",
  eot: "EOT",
  svg: "SVG",
};

/** A day as forms and the API write it, by the reader's own clock; `later` is a number of days. */
export function isoDay(from: Date, later = 0): string {
  const date = new Date(from.getFullYear(), from.getMonth(), from.getDate() + later);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}
