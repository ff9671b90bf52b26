/** The page to hand over says what the school lets it say, and nobody else's name. */
import type { LogSums } from "#server/views.ts";
import { personSheet } from "./person-layout.ts";

const sums: LogSums = {
  weeks: [{ week: "2026-11-02", rounds: 3, clean: 1, open: 1 }],
  themes: [{ theme: "Jabs", side: "left", last: "2026-11-04", rounds: 3, clean: 1, open: 1 }],
  people: [],
  partners: [{ partner: "bo", rounds: 3, clean: 1, open: 1 }],
  faults: [{ mark: "late", words: "", times: 1 }],
  evenings: 1,
};
const wordsOf = (says: "trained" | "marks") =>
  personSheet({ name: "Ann", school: "The Ropewalk", today: "2026-11-30", sums, says })
    .texts.map(({ text }) => text)
    .join(" ");

test("what they trained, with sides and days", () => {
  expect(wordsOf("trained")).toMatch(
    /What Ann trained .*1 evening.*Jabs 3 rounds, 3 with the left lead, last on 4 Nov 2026/,
  );
  expect(wordsOf("trained")).not.toMatch(/clean|late|bo\b/);
});
test("how it went only where the school says so, and faults on no page", () => {
  expect(wordsOf("marks")).toMatch(/1 of 2 seen clean/);
  expect(wordsOf("marks")).not.toMatch(/late|bo\b/);
});
test("somebody who has trained nothing has a page that says so", () => {
  const page = personSheet({
    ...{ name: "Ann", school: "S", today: "2026-11-30", says: "marks" },
    sums: { ...sums, weeks: [], themes: [], evenings: 0 },
  });
  expect(page.texts.map(({ text }) => text)).toContain("Nothing yet.");
});
