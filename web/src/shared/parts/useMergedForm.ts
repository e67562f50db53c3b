import { useEffect, useRef, useState } from "react";
import type { FieldValues, Path, PathValue, UseFormReturn } from "react-hook-form";
import { merge, same, type Merged } from "./merge";

/**
 * Keeps a form and the record it edits together. While nothing is typed, the form shows the record as it is now. What
 * is typed stays when the record changes meanwhile, by oneself elsewhere on the page or by somebody else; what others
 * changed is told as `conflict`, until the person has looked at it and merges.
 */
export function useMergedForm<T extends FieldValues>(form: UseFormReturn<T>, record: T, version: number) {
  const base = useRef({ value: record, version });
  const [conflict, setConflict] = useState<Merged<T> | null>(null);
  const { isDirty } = form.formState;
  useEffect(() => {
    if (version === base.current.version && same(record, base.current.value)) {
      return;
    }
    if (!isDirty) {
      base.current = { value: record, version };
      form.reset(record);
      setConflict(null);
    } else if (same(record, base.current.value)) {
      base.current.version = version;
    } else {
      setConflict(merge(base.current.value, form.getValues(), record));
    }
  }, [record, version, isDirty, form]);

  /** Goes on from the record as it is now, with what was typed merged into it. */
  const resolve = (value: T) => {
    base.current = { value: record, version };
    form.reset(record);
    for (const field of Object.keys(value)) {
      if (!same(value[field], record[field])) {
        form.setValue(field as Path<T>, value[field] as PathValue<T, Path<T>>, { shouldDirty: true });
      }
    }
    setConflict(null);
  };
  /** The record was saved from this form: what is typed now is what is recorded. */
  const saved = () => form.reset(form.getValues());
  return { conflict, resolve, saved };
}
