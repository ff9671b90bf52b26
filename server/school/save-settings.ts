/** Saves a part of the school's settings: checked first, never over somebody else's change, drills judged again behind it. */
import { isOneOf } from "#core/base/keys.ts";
import { readSchool } from "#core/policy/school.ts";
import { SCHOOL_KEYS, type SchoolData } from "#core/policy/settings.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { saveSettings, setZone } from "#db/school.ts";
import { isZone } from "#core/base/days.ts";
import { judgeAgain } from "../drills/judging.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { readSchoolAgain, settingsOf } from "./school-of.ts";
import type { SettingsResult } from "../views.ts";

/** Sets the zone of the school's clock: one that the database and this program both know. */
export async function setClock(scope: Scope, zone: string): Promise<{ readonly kind: "set" } | Refusal> {
  if (!isZone(zone) || !(await setZone(db, scope, zone)))
    return refused(`“${zone}” is not a time zone that is known here. Choose one from the list, such as Europe/Lisbon.`);
  readSchoolAgain(scope);
  return { kind: "set" };
}

const isPatch = (value: unknown): value is Partial<SchoolData> =>
  typeof value === "object" &&
  value !== null &&
  !Array.isArray(value) &&
  Object.keys(value).every((key) => isOneOf(SCHOOL_KEYS, key));

/** `patch` holds whole keys of the settings; keys that it leaves out stay as they are. */
export async function patchSettings(scope: Scope, baseVersion: number, patch: unknown): Promise<SettingsResult> {
  if (!isPatch(patch) || !Number.isInteger(baseVersion))
    return { kind: "refused", message: "These settings cannot be read. Reload the page and try again.", errors: [] };
  const { settings } = await settingsOf(scope);
  const next = { ...(settings as SchoolData), ...patch };
  const result = readSchool(next);
  if (!result.ok) return { kind: "refused", message: result.errors[0]!, errors: result.errors };
  const saved = await saveSettings(db, scope, baseVersion, result.stored);
  if (saved.kind === "conflict")
    return {
      kind: "stale",
      message:
        "Somebody else changed the school’s settings meanwhile. They are shown as they are now; make your change again.",
    };
  readSchoolAgain(scope);
  judgeAgain(scope, "all");
  return saved;
}
