import type { ShouldRevalidateFunctionArgs } from "react-router";
import { keepPageOnFailure, orShown } from "./keep-page.ts";

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

test("without a network, or a database, what is shown stays; what is gone does not", async () => {
  const fails = (error: unknown) => () => Promise.reject(error as Error);
  const answer = (status: number) => ({ status, statusText: "", internal: false, data: "" });
  expect(await orShown(() => Promise.resolve("new"), "old")).toBe("new");
  expect(await orShown(fails(new TypeError("Failed to fetch")), "old")).toBe("old");
  expect(await orShown(fails(answer(503)), "old")).toBe("old");
  await expect(orShown(fails(answer(404)), "old")).rejects.toMatchObject({ status: 404 });
  await expect(orShown(fails(new TypeError("Failed to fetch")), null)).rejects.toThrow("Failed");
});
