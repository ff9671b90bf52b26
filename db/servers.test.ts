/** Addresses of several servers, as libpq writes them (PostgreSQL manual, 34.1.1.3), and the one that writes. */
import { lookForWriter, serversIn, writerUrl } from "./servers.ts";

test.each([
  ["postgres://app@127.0.0.1:5432/vicissor", ["postgres://app@127.0.0.1:5432/vicissor"]],
  [
    "postgresql://a:b@one:1,two:2/club?target_session_attrs=read-write",
    ["postgresql://a:b@one:1/club", "postgresql://a:b@two:2/club"],
  ],
  [
    "postgres://one,two,three/club?target_session_attrs=primary&sslmode=require",
    [1, 2, 3].map((i) => `postgres://${["one", "two", "three"][i - 1]}/club?sslmode=require`),
  ],
  [
    "postgres://one,two/c?sslmode=require&target_session_attrs=any",
    ["postgres://one/c?sslmode=require", "postgres://two/c?sslmode=require"],
  ],
])("%s", (url, servers) => expect(serversIn(url)).toEqual(servers));

describe("which of several servers writes", () => {
  const before = process.env.DATABASE_URL!;
  afterAll(() => {
    process.env.DATABASE_URL = before;
  });
  test("a single one is not looked for", async () => {
    expect(writerUrl()).toBe(before);
    expect(await lookForWriter()).toBe(false);
  });
  test("one that is away is passed over", async () => {
    process.env.DATABASE_URL = before.replace(/@[^/]+/, "@127.0.0.1:1");
    expect(writerUrl()).toContain("127.0.0.1:1/");
    process.env.DATABASE_URL = before.replace(/@([^/]+)/, "@127.0.0.1:1,$1");
    expect(writerUrl()).toContain("127.0.0.1:1/");
    expect(await lookForWriter()).toBe(true);
    expect(writerUrl()).toBe(before);
  });
});
