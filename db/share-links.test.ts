/** Links to a class: alive for their time, until they are taken back, in their own school. */
import { randomUUID } from "node:crypto";
import { createClass } from "./classes.ts";
import { db, closePool } from "./pool.ts";
import { createLink, findLink, linkSecret, liveLink, revokeLinks } from "./share-links.ts";
import { newSchool } from "./testing.ts";

afterAll(closePool);
const HOUR = 3_600_000;
const lessonOf = async (scope: Awaited<ReturnType<typeof newSchool>>): Promise<string> => {
  const id = randomUUID();
  await createClass(db, scope, { id, held_on: "2026-11-25", title: "E", minutes: 90, theme: "" });
  return id;
};

test("a link lives until its end, or until it is taken back", async () => {
  const scope = await newSchool();
  const id = await lessonOf(scope);
  const lesson = { kind: "class", id, names: true } as const;
  expect(await liveLink(db, scope, lesson)).toBeNull();
  const past = await createLink(db, scope, lesson, new Date(Date.now() - HOUR));
  expect(await findLink(db, past.linkId)).toBeNull();
  const link = await createLink(db, scope, lesson, new Date(Date.now() + HOUR));
  expect((await liveLink(db, scope, lesson))!.linkId).toBe(link.linkId);
  expect((await findLink(db, link.linkId))!.id).toBe(id);
  await revokeLinks(db, await newSchool(), lesson);
  expect(await findLink(db, link.linkId)).not.toBeNull();
  await revokeLinks(db, scope, lesson);
  expect(await findLink(db, link.linkId)).toBeNull();
  expect(await liveLink(db, scope, lesson)).toBeNull();
});
test("links to the wall and to the class of one evening are taken back each for itself", async () => {
  const scope = await newSchool();
  const id = await lessonOf(scope);
  const until = new Date(Date.now() + HOUR);
  const seen = await createLink(db, scope, { kind: "class", id, names: true }, until);
  const wall = await createLink(db, scope, { kind: "wall", id, names: false }, until);
  await revokeLinks(db, scope, { kind: "wall", id });
  expect(await findLink(db, wall.linkId)).toBeNull();
  expect(await findLink(db, seen.linkId)).toMatchObject({ kind: "class", id, names: true });
  // What is not in the school has no link.
  const other = { kind: "drill", id: randomUUID(), names: false } as const;
  await expect(createLink(db, scope, other, until)).rejects.toThrow(/foreign key/);
});
test("a school has one secret, whoever asks first; another has another", async () => {
  const [one, two] = [await newSchool(), await newSchool()];
  const asked = await Promise.all([1, 2, 3].map(() => linkSecret(db, one.schoolId)));
  expect(new Set(asked.map((secret) => secret.toString("hex"))).size).toBe(1);
  expect((await linkSecret(db, two.schoolId)).equals(asked[0]!)).toBe(false);
});
