/** A record as a form edits it: fields by name. */
export type Fields = Record<string, unknown>;

/** A field that two people changed differently. */
export type Collision = { field: string; base: unknown; mine: unknown; theirs: unknown };

/** What comes out when an edit meets a record that somebody else changed meanwhile. */
export type Merged<T> = {
  /** Mine where I changed something, otherwise theirs. */
  value: T;
  /** The fields that only they changed. */
  taken: string[];
  /** The fields that both changed, each in another way; `value` keeps mine. */
  collisions: Collision[];
};

/** Merges field by field: what was based on, what I have now, and what is recorded now. */
export function merge<T extends object>(base: T, mine: T, theirs: T): Merged<T> {
  const from = base as Fields;
  const own = mine as Fields;
  const other = theirs as Fields;
  const value: Fields = {};
  const taken: string[] = [];
  const collisions: Collision[] = [];
  for (const field of new Set([...Object.keys(from), ...Object.keys(own), ...Object.keys(other)])) {
    const mineChanged = !same(own[field], from[field]);
    const theirsChanged = !same(other[field], from[field]);
    value[field] = mineChanged ? own[field] : other[field];
    if (theirsChanged && !mineChanged) {
      taken.push(field);
    } else if (theirsChanged && !same(own[field], other[field])) {
      collisions.push({ field, base: from[field], mine: own[field], theirs: other[field] });
    }
    if (value[field] === undefined) {
      delete value[field];
    }
  }
  return { value: value as T, taken, collisions };
}

/** Whether two values are the same by their content; the order of an object's fields does not matter. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) {
    return true;
  }
  if (Array.isArray(a) && Array.isArray(b)) {
    return a.length === b.length && a.every((item, i) => same(item, b[i]));
  }
  if (a !== null && b !== null && typeof a === "object" && typeof b === "object") {
    const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
    return (
      Array.isArray(a) === Array.isArray(b) &&
      [...keys].every((key) => same((a as Fields)[key], (b as Fields)[key]))
    );
  }
  return false;
}
