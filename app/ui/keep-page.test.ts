import type { ShouldRevalidateFunctionArgs } from "react-router";
import { keepPageOnFailure } from "./keep-page.ts";

const after = (actionResult: unknown, defaultShouldRevalidate = true): boolean =>
  keepPageOnFailure({ actionResult, defaultShouldRevalidate } as ShouldRevalidateFunctionArgs);

test("after a failure the page stays as it is", () => {
  expect(after({ kind: "failed", message: "x" })).toBe(false);
  expect(after({ kind: "gone" })).toBe(false);
  expect(after({ kind: "conflict" })).toBe(false);
});
test("after a success, or without an action, the usual happens", () => {
  expect(after({ kind: "saved" })).toBe(true);
  expect(after(undefined)).toBe(true);
  expect(after(null, false)).toBe(false);
});
