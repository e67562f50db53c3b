import { useCallback, useEffect, useMemo } from "react";
import { useSearchParams } from "react-router";
import { useFilter } from "./RecordList";

/**
 * What narrows a list, kept in the address: words that are typed, and a filter.
 *
 * @param filterOf the filter of an address
 * @param paramsOf the address of a filter and of words
 */
export function useNarrowing<F extends object>(
  filterOf: (params: URLSearchParams) => F,
  paramsOf: (filter: F, words: string) => URLSearchParams,
) {
  const [params, setParams] = useSearchParams();
  const filter = useMemo(() => filterOf(params), [params, filterOf]);
  const inAddress = params.get("name") ?? "";
  const named = useFilter(inAddress);
  const { words: name } = named;
  useEffect(() => {
    // Only what differs is written: a change of the address moves the focus as a change of place does.
    if (name !== inAddress) {
      setParams((now) => paramsOf(filterOf(now), name), { replace: true, preventScrollReset: true });
    }
  }, [name, inAddress, setParams, filterOf, paramsOf]);
  const onChange = useCallback(
    (change: Partial<F>) =>
      setParams(paramsOf({ ...filter, ...change }, name), { replace: true, preventScrollReset: true }),
    [setParams, filter, name, paramsOf],
  );
  return { filter, named, name, onChange };
}
