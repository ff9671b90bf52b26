/** The age of a backup as it is said. */
import { backupText } from "./backup-text.ts";

const HOUR = 3_600_000;
test.each([
  [1, /less than two hours ago/],
  [30, /30 hours ago/],
  [24 * 5, /5 days ago.*too long ago/],
])("after %d hours", (hours, said) => {
  expect(backupText({ at: 0, bytes: 2_300_000 }, hours * HOUR)).toMatch(said);
});
test("none is said, with what to do; a young one is not too old", () => {
  expect(backupText(null, 5)).toMatch(/none yet.*bin\/backup/);
  expect(backupText({ at: 0, bytes: 2_300_000 }, 30 * HOUR)).not.toMatch(/too long/);
  expect(backupText({ at: 0, bytes: 2_300_000 }, 30 * HOUR)).toMatch(/2\.3 MB/);
});
