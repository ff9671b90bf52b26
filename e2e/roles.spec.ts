/** Who may go where: every place by every role, as it is written down here, and nothing of it by way of another school. */
import { randomUUID } from "node:crypto";
import { expect, request as requests, test, type APIRequestContext } from "@playwright/test";
import pg from "pg";
import { RULES } from "#server/access/rules.ts";
import { DRILL, OTHER_PERSON, ROLES, TABLE, TONIGHT, type Who } from "./roles-table.ts";
import { sessionOf } from "./sessions.ts";

/** Who begins elsewhere is led there from the first page. */
const HOMES: Partial<Record<Who, string>> = {
  student: "/mine",
  tablet: `/class/${TONIGHT}/floor`,
};

const askers = new Map<Who, APIRequestContext>();
let foreign: APIRequestContext;
let database: pg.Client;
const otherSchool = randomUUID();

const asking = (baseURL: string, cookie: string | null): Promise<APIRequestContext> =>
  requests.newContext({
    baseURL,
    storageState: { cookies: [], origins: [] },
    extraHTTPHeaders: { Origin: baseURL, ...(cookie ? { Cookie: cookie } : {}) },
  });

test.beforeAll(async ({ baseURL }) => {
  database = new pg.Client(process.env.DATABASE_URL);
  await database.connect();
  const stranger = randomUUID();
  await database.query("insert into schools (id, name) values ($1, 'Across the river')", [otherSchool]);
  await database.query(
    "insert into accounts (id, name, email) values ($1::uuid, 'Stranger', $1::text || '@river.example')",
    [stranger],
  );
  await database.query("insert into memberships (school_id, account_id, role) values ($1, $2, 'owner')", [
    otherSchool,
    stranger,
  ]);
  for (const who of ROLES) askers.set(who, await asking(baseURL!, who === "nobody" ? null : sessionOf(who)));
  foreign = await asking(baseURL!, sessionOf("owner", otherSchool));
});
test.afterAll(async () => {
  await Promise.all([...askers.values(), foreign].map((one) => one.dispose()));
  await database.end();
});

test("the table has every place of the rules, and no other", () => {
  expect([...new Set(TABLE.map(([pattern]) => pattern))].sort()).toEqual(Object.keys(RULES).sort());
});

/** The status of a read, without waiting for the end of a stream that never ends. */
async function readStatus(asker: APIRequestContext, path: string): Promise<{ status: number; to: string }> {
  if (path.endsWith("/live")) {
    const answer = await asker.head(path, { maxRedirects: 0 });
    return { status: answer.status(), to: answer.headers().location ?? "" };
  }
  const answer = await asker.get(path, { maxRedirects: 0 });
  return { status: answer.status(), to: answer.headers().location ?? "" };
}

async function writeStatus(asker: APIRequestContext, path: string): Promise<number> {
  const address = path === "/" ? "/?index" : path;
  const answer = path.endsWith("/save")
    ? await asker.post(address, { data: { intent: "nothing" } })
    : await asker.post(address, { form: { intent: "nothing-of-that-kind" }, maxRedirects: 0 });
  return answer.status();
}

for (const [i, who] of ROLES.entries()) {
  const letter = who[0]!;

  test(`what is open to read: ${who}`, async () => {
    const asker = askers.get(who)!;
    for (const [pattern, path, reads] of TABLE) {
      const { status, to } = await readStatus(asker, path);
      const cell = `${pattern} (${path})`;
      if (path.endsWith("/save")) expect([cell, status >= 400 || to.startsWith("/sign-in")]).toEqual([cell, true]);
      else if (reads[i] === letter)
        expect([cell, status < 400, to.startsWith("/sign-in")]).toEqual([cell, true, false]);
      else if (who === "nobody") expect([cell, status, to.startsWith("/sign-in")]).toEqual([cell, 302, true]);
      else if (path === "/" && HOMES[who]) expect([cell, status, to]).toEqual([cell, 302, HOMES[who]]);
      else expect([cell, status]).toEqual([cell, 403]);
    }
  });

  test(`where something can be changed: ${who}`, async () => {
    const asker = askers.get(who)!;
    for (const [pattern, path, , writes] of TABLE) {
      const status = await writeStatus(asker, path);
      const cell = `${pattern} (${path})`;
      const isOpen = ![401, 403, 405].includes(status);
      expect([cell, status, isOpen]).toEqual([cell, status, writes[i] === letter]);
    }
  });
}

/** Everything of the demo club that a stranger could want to change, as one number. */
async function fingerprint(): Promise<string> {
  const parts = ["students", "drills", "revisions", "classes", "attendance", "marks", "memberships", "share_links"].map(
    (table) =>
      `(select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') from ${table} t where school_id = '5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a001')`,
  );
  const { rows } = await database.query<{ sum: string }>(`select ${parts.join(" || ' ' || ")} as sum`);
  return rows[0]!.sum;
}

test("a tablet in the hall is told nothing of health or bodies", async () => {
  const page = await (await askers.get("tablet")!.get(`/class/${TONIGHT}/floor`)).text();
  expect(page).toContain("Falk");
  // As the demo club has it of him.
  expect(page).not.toMatch(/no overhead work|no falls/);
});

test("an assistant has the limits of those who are here, and nobody's measures", async () => {
  const assistant = askers.get("assistant")!;
  const read = async (path: string) => (await assistant.get(path)).text();
  expect(await read(`/class/${TONIGHT}`)).toMatch(/no overhead work/);
  // Of the pages that instructors are sent this is true: they were looked at in earnest.
  const measures = /(?!175)\d{3} cm|\d{2,3} kg|\d cm apart in height|height_cm\\?",\s*\d/;
  expect(await (await askers.get("instructor")!.get(`/class/${TONIGHT}`)).text()).toMatch(measures);
  for (const path of [
    `/class/${TONIGHT}`,
    `/class/${TONIGHT}/sheet`,
    `/class/${TONIGHT}/cards`,
    `/class/${TONIGHT}/floor`,
  ])
    expect([path, measures.exec(await read(path))?.[0]]).toEqual([path, undefined]);
  expect(await read(`/drills/${DRILL}`)).not.toContain("Falk");
  expect(await read("/search?q=Falk")).not.toContain("Falk Tornau");
});

test("the owner of another school finds nothing here by its address", async () => {
  for (const [pattern, path] of TABLE.filter(([pattern]) => /^\/(?:class|people|drills)\/:id/.test(pattern))) {
    if (/\/(?:save|items|here)$/.test(path)) continue;
    const { status } = await readStatus(foreign, path);
    expect([pattern, status]).toEqual([pattern, 404]);
  }
  const everything = await (await foreign.get("/search?q=a")).text();
  expect(everything).not.toContain("Anselm");
  expect(await (await foreign.get("/people.csv")).text()).not.toContain("Anselm");
});

test("and changes nothing here by it", async () => {
  const before = await fingerprint();
  const { rows } = await database.query<{ account_id: string }>(
    "select account_id from memberships where school_id = '5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a001' and role = 'instructor'",
  );
  const colleague = rows[0]!.account_id;
  const tries: readonly (readonly [string, Record<string, string>])[] = [
    ["/people", { intent: "erase", id: OTHER_PERSON }],
    ["/people", { intent: "archive", id: OTHER_PERSON }],
    ["/?index", { intent: "delete", ids: DRILL }],
    ["/?index", { intent: "star", ids: DRILL }],
    ["/?index", { intent: "tag", ids: DRILL, tag: "mine" }],
    ["/term", { intent: "delete", id: TONIGHT }],
    [`/class/${TONIGHT}/here`, { intent: "present", student: OTHER_PERSON, on: "no" }],
    [`/class/${TONIGHT}`, { intent: "everybody", on: "no" }],
    [`/class/${TONIGHT}`, { intent: "drop", version: "1" }],
    [`/class/${TONIGHT}/phones`, { intent: "new" }],
    [`/class/${TONIGHT}/phones`, { intent: "end" }],
    [`/class/${TONIGHT}/floor`, { intent: "late", student: OTHER_PERSON }],
    [`/class/${TONIGHT}/floor/items`, { items: JSON.stringify([{ id: randomUUID(), at: 1, tap: { kind: "start" } }]) }],
    ["/members", { intent: "remove", account: colleague }],
    ["/members", { intent: "role", account: colleague, role: "student", person: OTHER_PERSON }],
  ];
  for (const [path, form] of tries) {
    const answer = await foreign.post(path, { form, maxRedirects: 0 });
    // Nothing is said to be done that was not.
    expect([path, form.intent, answer.status() >= 400 || /refused/.test(await answer.text())]).toEqual([
      path,
      form.intent,
      true,
    ]);
  }
  await foreign.post(`/drills/${DRILL}/save`, {
    data: { intent: "save", revisionId: randomUUID(), version: 1, text: "A jab -> B parry", auto: false },
  });
  expect(await fingerprint()).toBe(before);
});
