/** What a list is filtered by: held on the screen as it is typed; the address follows when typing rests. */
import { keysOf } from "#core/base/keys.ts";
import { useCallback, useEffect, useRef, useState } from "react";
import { useNavigation, useSearchParams } from "react-router";

/** Rest of typing before the address follows, ms. */
const QUIET = 300;

const read = <Key extends string>(params: URLSearchParams, usual: Readonly<Record<Key, string>>) =>
  Object.fromEntries(keysOf(usual).map((key) => [key, params.get(key) ?? usual[key]])) as Record<Key, string>;

/** Writes values into an address; usual ones are left out of it, and what else stands there stays. */
export function withFilters<Key extends string>(
  params: URLSearchParams,
  values: Readonly<Record<Key, string>>,
  usual: Readonly<Record<Key, string>>,
): URLSearchParams {
  const next = new URLSearchParams(params);
  for (const key of keysOf(usual)) {
    if (values[key] === usual[key]) next.delete(key);
    else next.set(key, values[key]);
  }
  return next;
}

/** `usual`: the filters with their values where the address says nothing; the same object at each call. */
export function useFilters<Key extends string>(usual: Readonly<Record<Key, string>>) {
  const [params, setParams] = useSearchParams();
  const [values, setValues] = useState(() => read(params, usual));
  const written = useRef(params.toString());
  useEffect(() => {
    // Somebody went back, or followed a link to the same list: then the address leads.
    if (params.toString() === written.current) return;
    written.current = params.toString();
    setValues(read(params, usual));
  }, [params, usual]);
  // On the way to another page the address is not written any more: that would call the person back.
  const going = useNavigation().location !== undefined;
  useEffect(() => {
    if (going) return;
    const next = withFilters(params, values, usual);
    if (next.toString() === params.toString()) return;
    const timer = setTimeout(() => {
      written.current = next.toString();
      setParams(next, { replace: true, preventScrollReset: true });
    }, QUIET);
    // A link that was followed goes first, also before the router has begun to.
    const stop = ({ target }: MouseEvent) => {
      if (target instanceof Element && target.closest("a[href]")) clearTimeout(timer);
    };
    document.addEventListener("click", stop, true);
    return () => {
      clearTimeout(timer);
      document.removeEventListener("click", stop, true);
    };
  }, [values, params, setParams, usual, going]);
  const set = useCallback((key: Key, value: string) => setValues((now) => ({ ...now, [key]: value })), []);
  return { values, set, params };
}
