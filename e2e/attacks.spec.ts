/**
 * What a stranger, another web site or a member with less to say may try, and what comes of it. The results stand in
 * docs/security.md. Where a line follows a known list it says so: OWASP ASVS 4, from memory.
 */
import { randomBytes, randomUUID } from "node:crypto";
import { connect } from "node:net";
import { expect, request as requests, test, type APIRequestContext } from "@playwright/test";
import { sessionOf } from "./sessions.ts";

const DRILL = "/drills/5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0002";
const TONIGHT = "/class/5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0000";
const PERSON = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0b001";

let base = "";
let owner: APIRequestContext;
let student: APIRequestContext;
let stranger: APIRequestContext;
let ownerCookie = "";

const asking = (cookie: string | null): Promise<APIRequestContext> =>
  requests.newContext({
    baseURL: base,
    storageState: { cookies: [], origins: [] },
    extraHTTPHeaders: { Origin: base, ...(cookie ? { Cookie: cookie } : {}) },
  });

test.beforeAll(async ({ baseURL }) => {
  base = baseURL!;
  ownerCookie = sessionOf("owner");
  owner = await asking(ownerCookie);
  student = await asking(sessionOf("student"));
  stranger = await asking(null);
});
test.afterAll(() => Promise.all([owner, student, stranger].map((one) => one.dispose())));

/** The first line of an answer to a request that is sent as it stands, letter by letter. */
const raw = (...lines: readonly string[]): Promise<string> =>
  new Promise((done, fail) => {
    const { hostname, port } = new URL(base);
    const socket = connect(Number(port), hostname, () => socket.write(`${lines.join("\r\n")}\r\n\r\n`));
    let text = "";
    socket.setTimeout(10_000, () => socket.destroy());
    socket.on("data", (chunk) => (text += chunk.toString()));
    socket.on("close", () => done(text.split("\r\n")[0]!));
    socket.on("error", fail);
  });
const host = () => `Host: ${new URL(base).host}`;

test.describe("ways round the door", () => {
  test("another host, with and without a port, in any case", async () => {
    for (const name of ["other.example", "127.0.0.1.other.example", "LOCALHOST.other.example:80", "localhost:1"])
      expect(await raw("GET /health HTTP/1.1", `Host: ${name}`, "Connection: close")).toContain("421");
  });
  test("another site writes: no origin, a foreign one, none by name, one that begins like ours", async () => {
    for (const origin of ["", "https://other.example", "null", `${base}.other.example`, base.replace("http", "ftp")]) {
      const context = await requests.newContext({
        baseURL: base,
        storageState: { cookies: [], origins: [] },
        extraHTTPHeaders: { Cookie: ownerCookie, ...(origin ? { Origin: origin } : {}) },
      });
      const answer = await context.post("/people", { form: { intent: "erase", id: PERSON } });
      expect([origin, answer.status()]).toEqual([origin, 403]);
      await context.dispose();
    }
    expect(await (await owner.get("/people.csv")).text()).toContain("Anselm Brede");
  });
  test("kinds of content that no form of ours has", async () => {
    const save = await owner.post(`${DRILL}/save`, { headers: { "Content-Type": "text/plain" }, data: "{}" });
    expect(save.status()).toBe(415);
    const json = await owner.post("/people", { data: { intent: "erase", id: PERSON } });
    expect(json.status()).toBe(415);
    const none = await owner.post("/people", { headers: { "Content-Type": "" }, data: "intent=erase" });
    expect(none.status()).toBe(415);
  });
  test("methods that nothing here has, and one that claims to be another", async () => {
    for (const method of ["PUT", "DELETE", "PATCH", "OPTIONS", "TRACE"])
      expect(await raw(`${method} /people HTTP/1.1`, host(), "Connection: close")).toMatch(/ 40[35] /);
    const dressed = await stranger.get("/people", {
      headers: { "X-HTTP-Method-Override": "POST" },
      maxRedirects: 0,
    });
    expect(dressed.status()).toBe(302);
  });
  test("bodies that are too large, of no size, or of a size that is a lie", async () => {
    const start = ["POST /people HTTP/1.1", host(), `Origin: ${base}`, `Cookie: ${ownerCookie}`];
    const form = "Content-Type: application/x-www-form-urlencoded";
    // It is refused by what it says of itself, before any of it is read.
    expect(await raw(...start, form, "Content-Length: 4100000", "Connection: close")).toContain("413");
    expect(await raw(...start, form, "Transfer-Encoding: chunked", "Connection: close", "", "0")).toContain("411");
    expect(await raw(...start, form, "Content-Length: -1", "Connection: close")).toContain("400");
    expect(
      await raw(...start, form, "Content-Length: 5", "Transfer-Encoding: chunked", "Connection: close", "", "0"),
    ).toMatch(/ 4\d\d /);
  });
  test("other spellings of a closed place", async () => {
    for (const path of ["/PEOPLE", "/people/", "/people.data", "/People.data", "/%70eople", "/people?x=/help"]) {
      const answer = await student.get(path, { maxRedirects: 0 });
      expect([path, await answer.text()]).toEqual([path, expect.not.stringContaining("Anselm")]);
      expect([path, answer.status() === 200]).toEqual([path, false]);
    }
    for (const path of ["//people", "/./people", "/help/../people", "/help/%2e%2e/people", "/people;x", "/people%00"]) {
      const line = await raw(
        `GET ${path} HTTP/1.1`,
        host(),
        `Cookie: ${ownerCookie.replace(/=.*/, "=none")}`,
        "Connection: close",
      );
      expect([path, / 200 /.test(line)]).toEqual([path, false]);
    }
  });
  test("a part of a closed page, asked for by the name of its route", async () => {
    for (const routes of ["routes%2Fpeople", "root,routes%2Fpeople", "root"]) {
      const answer = await student.get(`/people.data?_routes=${routes}`);
      expect(await answer.text()).not.toContain("Anselm");
    }
    // The page around is the same everywhere: it holds nobody's data but one's own.
    expect(await (await student.get("/help.data?_routes=routes%2Fpeople")).text()).not.toContain("Anselm");
  });
  test("files outside of what is served", async () => {
    for (const path of [
      "/assets/../../package.json",
      "/assets/..%2f..%2fpackage.json",
      "/assets/%2e%2e/%2e%2e/package.json",
      "/voice/..%2f..%2f.data%2flog%2fserve.log",
      "/..%5c..%5cpackage.json",
      "/.env",
      "/.git/config",
      "/server/serve.mjs",
    ]) {
      const line = await raw(`GET ${path} HTTP/1.1`, host(), "Connection: close");
      expect([path, / 200 /.test(line)]).toEqual([path, false]);
    }
  });
  test("addresses that are no text", async () => {
    for (const path of ["/%E0%A4%A", "/drills/%00", "/class/%ff", `/${"a".repeat(12_000)}`]) {
      const line = await raw(`GET ${path} HTTP/1.1`, host(), `Cookie: ${ownerCookie}`, "Connection: close");
      expect([path.slice(0, 20), line]).toEqual([path.slice(0, 20), expect.stringMatching(/ 4\d\d /)]);
    }
  });
  test("a whole address in place of a path, as for a proxy, is refused in words", async () => {
    expect(await raw("GET http://other.example/ HTTP/1.1", host(), "Connection: close")).toContain(" 400 ");
  });
  test("the mark of the network is nobody's to set or to leave out", async () => {
    const answer = await stranger.post("/sign-in", {
      headers: { "X-Vicissor-Network": "yes" },
      form: { intent: "password", email: "corvin@ropewalk.example", password: "rope and lantern" },
      maxRedirects: 0,
    });
    // It was taken off: the password of the demo club is still good at the machine itself.
    expect(answer.status()).toBe(302);
  });
  test("figures about the server, asked for by way of a proxy", async () => {
    expect((await stranger.get("/metrics", { headers: { "X-Forwarded-For": "10.0.0.1" } })).status()).toBe(403);
    expect((await stranger.get("/metrics")).status()).toBe(200);
  });
  test("another address that one claims to come from buys no new tries", async () => {
    const left = async (from: string) => {
      const { ratelimit } = (
        await stranger.get("/help", { headers: { "X-Forwarded-For": from }, maxRedirects: 0 })
      ).headers();
      return Number(/r=(\d+)/.exec(ratelimit!)![1]);
    };
    const before = await left("10.0.0.1");
    expect(await left("10.0.0.2")).toBeLessThan(before);
  });
});

test.describe("ways into an account", () => {
  test("guessed and broken cookies", async () => {
    const guesses = [
      `vicissor=${randomBytes(32).toString("base64url")}`,
      `vicissor=${"A".repeat(43)}`,
      "vicissor=' or 1=1 --",
      "vicissor=",
      `vicissor=${"A".repeat(4000)}`,
      `xvicissor=${ownerCookie.slice(9)}`,
    ];
    for (const cookie of guesses) {
      const answer = await stranger.get("/people", { headers: { Cookie: cookie }, maxRedirects: 0 });
      expect([cookie.slice(0, 30), answer.status()]).toEqual([cookie.slice(0, 30), 302]);
    }
  });
  test("a session that was signed out, or left behind by a new sign-in (ASVS 3.2.1, 3.3.1)", async () => {
    const cookie = sessionOf("assistant");
    const asker = await asking(cookie);
    expect((await asker.get("/account", { maxRedirects: 0 })).status()).toBe(200);
    const form = { intent: "password", email: "bent@ropewalk.example", password: "rope and lantern" };
    const again = await asker.post("/sign-in", { form, maxRedirects: 0 });
    const fresh = /vicissor=[\w-]{43}/.exec(again.headers()["set-cookie"]!)![0];
    expect(fresh).not.toBe(cookie);
    expect((await asker.get("/account", { maxRedirects: 0 })).status()).toBe(302);
    const next = await asking(fresh);
    const out = await next.post("/account", { form: { intent: "sign-out" }, maxRedirects: 0 });
    expect(out.headers()["clear-site-data"]).toContain("storage");
    expect((await next.get("/account", { maxRedirects: 0 })).status()).toBe(302);
    await Promise.all([asker.dispose(), next.dispose()]);
  });
  test("the cookie is out of reach of scripts and of other sites (ASVS 3.4)", async () => {
    const form = { intent: "password", email: "corvin@ropewalk.example", password: "rope and lantern" };
    const cookie = (await stranger.post("/sign-in", { form, maxRedirects: 0 })).headers()["set-cookie"]!;
    expect(cookie).toMatch(/; HttpOnly/);
    expect(cookie).toMatch(/; SameSite=Lax/);
    expect(cookie).not.toMatch(/Domain=/);
  });
  test("one password after the other: after a few even the right one waits (ASVS 2.2.1)", async () => {
    const email = `guess${Date.now()}@ropewalk.example`;
    await owner.post("/members", { form: { intent: "invite", email, role: "assistant" } });
    const box = await (await owner.get("/members/post")).text();
    const token = /\/in\/([\w-]{43})/.exec(box.slice(box.indexOf(email)))![1]!;
    const password = "a dozen slow counts";
    await stranger.post(`/in/${token}`, { form: { name: "Gesine", password }, maxRedirects: 0 });
    const said: string[] = [];
    for (let i = 0; i < 6; i++) {
      const answer = await stranger.post("/sign-in.data", {
        form: { intent: "password", email, password: `wrong ${i}` },
      });
      said.push(await answer.text());
    }
    expect(said[0]).toContain("do not belong together");
    expect(said.at(-1)).toContain("too many wrong passwords");
    const right = await stranger.post("/sign-in.data", { form: { intent: "password", email, password } });
    expect(await right.text()).toContain("too many wrong passwords");
    // The address is good once, for nobody after them (ASVS 2.5.4).
    expect(await (await stranger.get(`/in/${token}`)).text()).toContain("This address is over");
  });
  test("who has an account is said to nobody (ASVS 2.2, 3.2)", async () => {
    const wrong = async (email: string) => {
      const answer = await stranger.post("/sign-in.data", { form: { intent: "password", email, password: "x" } });
      return [answer.status(), (await answer.text()).replace(/[0-9a-f-]{36}/g, "")];
    };
    expect(await wrong("nobody.at.all@ropewalk.example")).toEqual(await wrong("runa@ropewalk.example"));
    const forgot = async (email: string) =>
      (await stranger.post("/sign-in.data", { form: { intent: "forgot", email } })).text();
    expect(await forgot("nobody.at.all@ropewalk.example")).toEqual(await forgot("runa@ropewalk.example"));
    expect(await (await owner.get("/members/post")).text()).not.toContain("nobody.at.all");
  });
  test("guessed, cut and lengthened addresses of invitations", async () => {
    for (const token of [randomBytes(32).toString("base64url"), "A", "A".repeat(500), "..%2f..", "%00"])
      expect(await (await stranger.get(`/in/${token}`)).text()).toMatch(/This address is over|This is not here/);
  });
  test("addresses that would write a header of a letter of their own", async () => {
    for (const email of ["a@b.example\r\nBcc: all@b.example", "a@b.example\nSubject: x", "a b@c.example", "@", "a@b"]) {
      const answer = await owner.post("/members.data", { form: { intent: "invite", email, role: "assistant" } });
      expect(await answer.text()).toContain("Write an address");
    }
  });
  test("a password of a megabyte costs nothing", async () => {
    const began = Date.now();
    const form = { intent: "password", email: "runa@ropewalk.example", password: "x".repeat(1_000_000) };
    expect((await (await asking(null)).post("/sign-in", { form })).status()).toBe(400);
    expect(Date.now() - began).toBeLessThan(2000);
  });
  test("fields that the form does not have (ASVS 5.1.2)", async () => {
    await student.post("/account", {
      form: { intent: "rename", name: "Corvin Aske", role: "owner", email: "x@y.example" },
    });
    expect((await student.get("/members", { maxRedirects: 0 })).status()).toBe(403);
  });
  test("a sign-in never leads to another site (ASVS 5.1.5)", async () => {
    for (const next of [
      "//other.example",
      "/\\other.example",
      "https://other.example",
      "javascript:alert(1)",
      "/%0d%0aX: y",
      "\\\\x",
    ]) {
      const form = { intent: "password", email: "corvin@ropewalk.example", password: "rope and lantern", next };
      const answer = await stranger.post("/sign-in", { form, maxRedirects: 0 });
      expect([next, answer.headers().location]).toEqual([next, "/"]);
    }
  });
});

test.describe("what is typed", () => {
  test("ids that are SQL, paths or nothing", async () => {
    for (const id of ["1'; drop table students; --", "..%2f..", "null", "undefined", "5b3c7c1e", randomUUID()]) {
      const pages = [
        `/drills/${encodeURIComponent(id)}`,
        `/class/${encodeURIComponent(id)}`,
        `/people/${encodeURIComponent(id)}`,
      ];
      for (const page of pages) {
        const answer = await owner.get(page);
        expect([page, answer.status()]).toEqual([page, 404]);
        expect(await answer.text()).not.toMatch(/at \w+ \(|node_modules|syntax error/);
      }
    }
    expect(await (await owner.get("/people.csv")).text()).toContain("Anselm Brede");
  });
  test("a search that is SQL, a pattern, or very long", async () => {
    for (const q of ["' or 1=1 --", "%", "_", "\\", "(a+)+$", "a".repeat(5000), "\u202e\u0000"]) {
      const began = Date.now();
      const answer = await owner.get(`/search?q=${encodeURIComponent(q)}`);
      expect([q.slice(0, 12), answer.status() < 500, Date.now() - began < 3000]).toEqual([q.slice(0, 12), true, true]);
    }
  });
  test("NUL, and JSON that is none or reaches for the roots of all objects", async () => {
    const nul = await owner.post("/people.data", { form: { intent: "add", people: '[{"name":"a\u0000"}]' } });
    expect(nul.status()).toBe(400);
    for (const patch of [
      "{",
      "[]",
      "null",
      '{"__proto__":{"polluted":1}}',
      '{"constructor":{"prototype":{"polluted":1}}}',
      "[".repeat(50_000),
    ]) {
      const answer = await owner.post("/settings/change.data", { form: { version: "1", patch } });
      expect([patch.slice(0, 20), answer.status() < 500]).toEqual([patch.slice(0, 20), true]);
    }
    expect(await (await owner.get("/help")).text()).not.toContain("polluted");
  });
  test("taps that are none, too many, or of another class", async () => {
    const items = `${TONIGHT}/floor/items`;
    for (const text of [
      "",
      "{",
      "[]",
      JSON.stringify({ taps: "x" }),
      JSON.stringify({ taps: Array(20_000).fill({}) }),
      // The roots of all objects, as a name and as a kind; lists in lists.
      `{"__proto__":{"x":1},"taps":[{"id":"${randomUUID()}","at":1,"tap":{"kind":"__proto__"}}]}`,
      "[".repeat(50_000) + "]".repeat(50_000),
    ]) {
      const answer = await owner.post(items, { form: { items: text } });
      expect([text.slice(0, 12), answer.status()]).toEqual([text.slice(0, 12), 400]);
    }
    const nowhere = await owner.post(`/class/${randomUUID()}/floor/items`, {
      form: {
        items: JSON.stringify({
          taps: [{ id: randomUUID(), at: 1, tap: { kind: "start" } }],
          marks: [],
          incidents: [],
        }),
      },
    });
    expect(nowhere.status()).toBeGreaterThanOrEqual(400);
    expect(nowhere.status()).toBeLessThan(500);
  });
  test("texts of the notation that cost much hold up nobody else", async () => {
    const texts = [
      `A jab -> B ${"slip out / ".repeat(3400)}cover`,
      `A ${"jab + ".repeat(360)}jab -> B cover`,
      `A jab${" -> B slip out -> A cross".repeat(800)}`,
      `loop x1000:\n${"loop x1000:\n".repeat(30)}A jab -> B parry`,
    ];
    for (const text of texts) {
      const saving = owner.post(`${DRILL}/save`, {
        data: { intent: "save", revisionId: randomUUID(), version: 99_999, text, auto: false },
      });
      const began = Date.now();
      expect((await stranger.get("/health")).status()).toBe(200);
      expect(Date.now() - began).toBeLessThan(1500);
      expect((await saving).status()).toBeLessThan(504);
    }
  });
  test("what is shown is shown with the headers that keep it where it is (ASVS 14.4, 8.2.1)", async () => {
    const nobody = await asking(null);
    const kinds = [
      [owner, "/people", "no-store"],
      [owner, "/people.csv", "no-store"],
      [owner, "/people.data", "no-store"],
      [owner, `${TONIGHT}/plan`, "no-store"],
      [owner, "/answers", "private, no-cache"],
      [owner, "/nowhere", null],
      [nobody, "/sign-in", "private, no-cache"],
    ] as const;
    for (const [asker, path, cache] of kinds) {
      const headers = (await asker.get(path)).headers();
      expect([path, headers["content-security-policy"]]).toEqual([
        path,
        expect.stringMatching(/frame-ancestors 'self'.*object-src 'none'.*'nonce-/),
      ]);
      expect([path, headers["x-content-type-options"]]).toEqual([path, "nosniff"]);
      expect(headers["x-powered-by"]).toBeUndefined();
      if (cache) expect([path, headers["cache-control"]]).toEqual([path, cache]);
    }
  });
});
