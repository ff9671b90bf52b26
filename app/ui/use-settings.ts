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
  return {
    settings,
    version,
    busy: fetcher.state !== "idle",
    result: fetcher.data ?? null,
    /** Saves whole keys of the settings; what is left out stays as it is. */
    patch: (part: Partial<SchoolData>) =>
      void fetcher.submit(
        { version: String(version), patch: JSON.stringify(part) },
        { method: "post", action: "/words/settings" },
      ),
  };
}
