/** Requests that come in the wrong way, against the same doors as the application's. */
import { request as send, type IncomingHttpHeaders } from "node:http";
import type { AddressInfo } from "node:net";
import express from "express";
import { allowedHosts, knownHost, MAX_BODY, ownWrites } from "./doors.ts";

let port = 0;
let close: () => void;
beforeAll(async () => {
  const app = express();
  app.use((request, response, next) => {
    const hosts = allowedHosts(String(port), "club.example");
    knownHost(hosts)(request, response, (fault?: unknown) =>
      fault ? next(fault) : ownWrites(hosts, /\/save$/)(request, response, next),
    );
  });
  app.use((_request, response) => {
    response.send("in");
  });
  const server = app.listen(0, "127.0.0.1");
  await new Promise((go) => server.once("listening", go));
  port = (server.address() as AddressInfo).port;
  close = () => server.close();
});
afterAll(() => close());

interface Sent {
  readonly method?: string;
  readonly path?: string;
  readonly headers?: IncomingHttpHeaders;
  readonly body?: string;
}
const status = ({ method = "POST", path = "/people", headers = {}, body = "a=b" }: Sent): Promise<[number, string]> =>
  new Promise((done, fail) => {
    const own = {
      host: `127.0.0.1:${port}`,
      origin: `http://127.0.0.1:${port}`,
      ...(method === "GET"
        ? {}
        : { "content-type": "application/x-www-form-urlencoded", "content-length": String(body.length) }),
      ...headers,
    };
    const defined = Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined));
    const request = send({ host: "127.0.0.1", port, method, path, headers: defined }, (response) => {
      let text = "";
      response.on("data", (chunk) => (text += String(chunk)));
      response.on("end", () => {
        done([response.statusCode!, text]);
        request.destroy();
      });
    });
    request.on("error", fail);
    // A body shorter than it says stays open: the answer must come without it.
    if (Number(own["content-length"]) > body.length) request.write(body);
    else request.end(method === "GET" ? undefined : body);
  });

test("a form of our own page comes in, and what only reads needs no origin", async () => {
  expect(await status({})).toEqual([200, "in"]);
  expect(await status({ method: "GET", headers: { origin: undefined } })).toEqual([200, "in"]);
  expect((await status({ path: "/drills/x/save", headers: { "content-type": "application/json" } }))[0]).toBe(200);
});

test.each([
  ["another site", { origin: "http://evil.example" }],
  ["another port of the same machine", { origin: "http://127.0.0.1:1" }],
  ["no origin at all", { origin: undefined }],
  ["a page in a sandbox", { origin: "null" }],
  ["a name of ours inside a foreign one", { origin: "http://127.0.0.1.evil.example" }],
])("a form from %s is refused", async (_, headers) => {
  const [code, words] = await status({ headers });
  expect(code).toBe(403);
  expect(words).toMatch(/another site or program, so nothing was changed/);
});

test.each(["other.example", "other.example:80", "127.0.0.1.evil.example"])(
  "the host “%s” is refused, reading as well",
  async (host) => {
    expect((await status({ method: "GET", headers: { host } }))[0]).toBe(421);
  },
);
test("a host on the list comes in at any port, with its own origin only", async () => {
  const host = "club.example:8443";
  expect((await status({ headers: { host, origin: `https://${host}` } }))[0]).toBe(200);
  expect((await status({ headers: { host, origin: `http://127.0.0.1:${port}` } }))[0]).toBe(403);
});

test("plain text posing as JSON is refused, and JSON where a form belongs", async () => {
  expect((await status({ path: "/drills/x/save", headers: { "content-type": "text/plain" } }))[0]).toBe(415);
  expect((await status({ headers: { "content-type": "application/json" } }))[0]).toBe(415);
  expect((await status({ headers: { "content-type": undefined } }))[0]).toBe(415);
});

test("too large, or of no known size, is refused before it is read", async () => {
  expect((await status({ headers: { "content-length": String(MAX_BODY + 1) } }))[0]).toBe(413);
  expect((await status({ headers: { "content-length": undefined, "transfer-encoding": "chunked" } }))[0]).toBe(411);
});

test.each(["PUT", "DELETE", "TRACE", "PATCH"])("%s is not done here", async (method) => {
  expect((await status({ method }))[0]).toBe(405);
});
