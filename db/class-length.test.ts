/** The length of a class, against a real server. */
import { randomUUID } from "node:crypto";
import { setMinutes } from "./class-length.ts";
import { createClass, getClass } from "./classes.ts";
import { closePool, db } from "./pool.ts";
import { newSchool } from "./testing.ts";

afterAll(closePool);

test("it is set where nobody else has set it, and in no other school", async () => {
  const scope = await newSchool();
  const id = randomUUID();
  const lesson = { id, title: "Quay", theme: "", held_on: "2026-12-01", starts_at: "19:00", minutes: 90 };
  await createClass(db, scope, lesson);
  const minutes = async () => (await getClass(db, scope, id))!.minutes;
  expect(await setMinutes(db, scope, { id, minutes: 75, was: 90 })).toBe(true);
  expect(await setMinutes(db, scope, { id, minutes: 60, was: 90 })).toBe(false);
  expect(await setMinutes(db, await newSchool(), { id, minutes: 60, was: 75 })).toBe(false);
  expect(await minutes()).toBe(75);
});
