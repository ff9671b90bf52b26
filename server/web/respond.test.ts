import { classSchema } from "#core/class/lesson.ts";
import { explain } from "./respond.ts";

test("what a schema refuses is said in words, with the field that is wrong", async () => {
  const form = { id: "7d1f0f0e-0a51-4a4e-9b10-7d6a51fc0000", title: "Quay", held_on: "2026-12-01", starts_at: "19:00" };
  const fault: unknown = await classSchema.validate({ ...form, minutes: "two" }).catch((error: unknown) => error);
  expect(explain(fault)).toEqual({ status: 400, message: "Minutes are a number, such as 90.", field: "minutes" });
});
test("a fault of the application's own is nobody's to mend", () => {
  expect(explain(new Error("x is not a function"))).toBeNull();
});
