import type { ShouldRevalidateFunctionArgs } from "react-router";
import { keepPageOnFailure, keeps } from "./keep-page.ts";

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
  const { keep, load } = keeps<string>();
  await expect(load("a", fails(new TypeError("Failed to fetch")))).rejects.toThrow("Failed");
  keep("a", "old");
  expect(await load("a", () => Promise.resolve("new"))).toBe("new");
  expect(await load("a", fails(new TypeError("Failed to fetch")))).toBe("old");
  expect(await load("a", fails(answer(503)))).toBe("old");
  await expect(load("a", fails(answer(404)))).rejects.toMatchObject({ status: 404 });
  await expect(load("b", fails(answer(503)))).rejects.toMatchObject({ status: 503 });
});
