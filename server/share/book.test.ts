/** The drill book: every drill once, names that any system takes, nothing that somebody typed as markup. */
import { randomUUID } from "node:crypto";
import { createDrill } from "#db/drills.ts";
import { closePool } from "#db/pool.ts";
import { newSchool } from "#db/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { closeThreads } from "../checks/pool.ts";
import { revisionInput } from "../drills/revision-input.ts";
import { drillBook } from "./book.ts";

afterAll(async () => {
  await closeThreads();
  await closePool();
});

test("a page each, an index, and one style", async () => {
  const scope = await newSchool();
  expect((await drillBook(scope, null)).get("index.html")).toContain("There is no drill in it yet.");
  const titles = ["Jab & parry", "<img src=x>", "../../etc", "Jab & parry"];
  for (const title of titles) {
    const input = revisionInput(randomUUID(), `title: ${title}\nA jab -> B parry\n`, defaultSchool());
    await createDrill(scope, { id: randomUUID(), input, lineage: null });
  }
  const book = await drillBook(scope, null);
  expect([...book.keys()].filter((name) => !/^[a-z0-9-]+\.(?:html|css)$/.test(name))).toEqual([]);
  expect(book.size).toBe(titles.length + 2);
  for (const text of book.values()) expect(text).not.toMatch(/<img|<script/);
  const index = book.get("index.html")!;
  for (const [, file] of index.matchAll(/href="([^"]+\.html)"/g)) expect(book.has(file!)).toBe(true);
  expect([...book.values()].filter((text) => text.includes("B: parry"))).toHaveLength(titles.length);
});
