/** The rules as a table that stands for itself; e2e/roles.spec.ts asks each cell of the running application. */
import { readFileSync } from "node:fs";
import { OWN_PERSON, ROLES, TABLE, TONIGHT, type Who } from "../../e2e/roles-table.ts";
import { ownPath } from "./admit.ts";
import { homeOf, isPersonal, mayGo, OPEN, RULES, type Asker } from "./rules.ts";
import { deviceOf, tokenIn } from "./session.ts";

const asker = (role: Asker["role"], more: Partial<Asker> = {}): Asker => ({
  role,
  studentId: null,
  classId: null,
  ...more,
});
const reads = (who: Asker, pattern: string, id?: string) => mayGo(who, { pattern, id, writes: false });

test("every route has its rule, and every rule its route", () => {
  const text = readFileSync("app/routes.ts", "utf8");
  const routes = [...text.matchAll(/route\("([^"]+)"/g)].map(([, path]) => `/${path}`);
  expect([...routes, "/"].filter((path) => !OPEN.has(path)).sort()).toEqual(Object.keys(RULES).sort());
});
/** Somebody in a role, as the demo club has them. */
const ASKERS: Readonly<Record<Exclude<Who, "nobody">, Asker>> = {
  owner: asker("owner"),
  instructor: asker("instructor"),
  assistant: asker("assistant"),
  student: asker("student", { studentId: OWN_PERSON }),
  tablet: asker("tablet", { classId: TONIGHT }),
};
test.each(TABLE)("%s (%s) is read by %s and written to by %s", (pattern, path, read, write) => {
  const id = path.split("/").find((part) => /^[0-9a-f-]{36}$/.test(part));
  for (const [i, who] of ROLES.entries()) {
    if (who === "nobody") continue;
    const letter = who[0]!;
    const may = (writes: boolean) => mayGo(ASKERS[who], { pattern, id, writes });
    expect([who, may(false), may(true)]).toEqual([who, read[i] === letter, write[i] === letter]);
  }
});
test("the table has every place of the rules, and no other", () => {
  expect([...new Set(TABLE.map(([pattern]) => pattern))].sort()).toEqual(Object.keys(RULES).sort());
});
test("what is in no table is open to nobody, whatever it is called", () => {
  for (const pattern of ["/nowhere", "constructor", "__proto__", "toString"])
    expect(reads(asker("owner"), pattern, "x")).toBe(false);
});
test("students see their own page, tablets their own class", () => {
  const student = asker("student", { studentId: "me" });
  expect([reads(student, "/people/:id/page", "me"), reads(student, "/people/:id/page", "you")]).toEqual([true, false]);
  expect(reads(asker("student"), "/people/:id/page", undefined)).toBe(false);
  const tablet = asker("tablet", { classId: "c" });
  expect([reads(tablet, "/class/:id/floor", "c"), reads(tablet, "/class/:id/floor", "d")]).toEqual([true, false]);
  expect(reads(tablet, "/class/:id", "c")).toBe(false);
});
test("who writes also reads, but for a place that is only written to", () => {
  for (const [pattern, { read, write }] of Object.entries(RULES))
    if (read.length > 0) expect([pattern, write.filter((who) => !read.includes(who))]).toEqual([pattern, []]);
});
test("everybody begins where they may go", () => {
  expect(homeOf(asker("instructor"))).toBe("/");
  expect(homeOf(asker("student", { studentId: "s" }))).toBe("/mine");
  expect(homeOf(asker("student"))).toBe("/account");
  expect(homeOf(asker("tablet", { classId: "c" }))).toBe("/class/c/floor");
});
test("pages about people are kept nowhere", () => {
  expect(Object.keys(RULES).filter(isPersonal)).toEqual(expect.arrayContaining(["/people", "/mine", "/log/weeks"]));
  expect(["/", "/answers", "/moves"].some(isPersonal)).toBe(false);
});
test.each([
  ["/people", "/people"],
  ["/class/a-b/plan?drill=1&x=%20", "/class/a-b/plan?drill=1&x=%20"],
  ["//other.example", "/"],
  ["/\\other.example", "/"],
  ["https://other.example", "/"],
  ["/a\nb", "/"],
  [null, "/"],
])("after sign-in %j goes to %s", (next, path) => expect(ownPath(next)).toBe(path));
test("cookies: ours among others, whole or not at all", () => {
  const token = "A".repeat(43);
  expect(tokenIn(`a=b; vicissor=${token}; c=d`)).toBe(token);
  for (const cookies of [null, "", `vicissor=${token}x`, `xvicissor=${token}`, "vicissor=short", `a=vicissor=${token}`])
    expect(tokenIn(cookies)).toBeNull();
});
test("devices in words", () => {
  expect(deviceOf("Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/143.0 Safari/537.36")).toBe(
    "Chrome on Linux",
  );
  expect(deviceOf("Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) Version/18 Safari/604.1")).toBe("Safari on iPad");
  expect(deviceOf("Mozilla/5.0 (Windows NT 10.0; rv:140.0) Gecko/20100101 Firefox/140.0")).toBe("Firefox on Windows");
  expect(deviceOf(null)).toBe("A program");
});
