/** The names of all people who are here, asked for when a dialog needs them; null until they are there. */
import { useEffect } from "react";
import { useFetcher } from "react-router";
import type { loader } from "../routes/people-names.ts";

export function useNames(): readonly { readonly id: string; readonly name: string }[] | null {
  const { load, data } = useFetcher<typeof loader>();
  useEffect(() => void load("/people/names"), [load]);
  return data ?? null;
}
