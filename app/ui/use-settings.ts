/** The school's settings on a screen: read from the page, saved in part. */
import { useFetcher, useRouteLoaderData } from "react-router";
import type { SchoolData } from "#core/policy/settings.ts";
import type { SettingsResult } from "#server/views.ts";
import type { loader } from "../root.tsx";

export function useSettings() {
  const root = useRouteLoaderData<typeof loader>("root");
  const fetcher = useFetcher<SettingsResult | { readonly kind: "failed"; readonly message: string }>();
  const settings = (root?.settings.settings ?? {}) as SchoolData;
  const version = root?.settings.version ?? 0;
  // What this screen saved last may be known before the page around has read it again.
  const saved = fetcher.data?.kind === "saved" ? fetcher.data.version : 0;
  const known = Math.max(version, saved);
  return {
    settings,
    version,
    /** The newest version that this screen knows of; `settings` may be of the one before for a moment. */
    known,
    busy: fetcher.state !== "idle",
    result: fetcher.data ?? null,
    /** Saves whole keys of the settings; what is left out stays as it is. */
    patch: (part: Partial<SchoolData>) =>
      void fetcher.submit(
        { version: String(known), patch: JSON.stringify(part) },
        { method: "post", action: "/settings/change" },
      ),
  };
}
