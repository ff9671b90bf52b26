/** Addresses from when moves and settings were one place, for whoever has kept them. */
import { redirect } from "react-router";
import type { Route } from "./+types/old-words.ts";

const NOW: Readonly<Record<string, string>> = {
  school: "/settings",
  settings: "/settings",
  numbering: "/settings/numbering",
  taught: "/settings/taught",
};

export function loader({ params, request }: Route.LoaderArgs) {
  const rest = params["*"] ?? "";
  const { search } = new URL(request.url);
  return redirect(`${NOW[rest] ?? (rest === "" ? "/moves" : `/moves/${rest}`)}${search}`, 301);
}
