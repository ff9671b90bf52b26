/** Long work as the server writes it. */
import type { LongWork } from "../workers/use-long-work.ts";
import { WorkProgress } from "./work-progress.tsx";
import { html } from "./testing.tsx";

describe("long work", () => {
  const work = (more: Partial<LongWork<string>>): LongWork<string> => ({
    result: null,
    share: null,
    trouble: null,
    cancel: () => undefined,
    again: () => undefined,
    ...more,
  });
  const shown = (more: Partial<LongWork<string>>) =>
    html(<WorkProgress work={work(more)} doing="Looking" not="It was not made." />);
  test("says how far it is, and can be cancelled", () => {
    expect(shown({ share: 0.42 })).toMatch(/aria-label="Looking"/);
    expect(shown({ share: 0.42 })).toMatch(/aria-valuenow="42"/);
    expect(shown({ share: 0.42 })).toMatch(/Cancel/);
  });
  test("cancelled before anything came out it offers to begin", () => {
    expect(shown({})).toMatch(/It was not made\..*Make it/s);
  });
  test("what failed says so and can be tried again", () => {
    expect(shown({ trouble: "No answer came." })).toMatch(/role="alert".*No answer came\..*Try again/s);
  });
  test("what is there needs no word", () => {
    expect(shown({ result: "x" }).replace(/<[^>]+>/g, "")).toBe("");
  });
});
