/** Schools as they were last read from their settings. */
import { Bounded } from "#core/base/bounded.ts";
import { defaultSchool, readSchool, type School } from "#core/policy/school.ts";

/** Settings of a school; a version of them never changes, so the key says what they are. */
export interface KeyedSettings {
  readonly key: string;
  readonly settings: unknown;
}

const schools = new Bounded<string, School>(50);

/** Settings are checked when they are saved; older ones that no longer fit count as none. */
export const schoolFrom = ({ key, settings }: KeyedSettings): School =>
  schools.of(key, () => {
    const read = readSchool(settings);
    return read.ok ? read.school : defaultSchool();
  });
