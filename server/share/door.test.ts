/** What the network sees: links, and nothing else. */
import express from "express";
import type { AddressInfo } from "node:net";
import { FROM_NETWORK, linksOnly } from "./door.ts";

let origin = "";
let close: () => void;
beforeAll(async () => {
  const app = express();
  app.use(linksOnly);
  app.use((_request, response) => void response.send("in"));
  const server = app.listen(0, "127.0.0.1");
  await new Promise((go) => server.once("listening", go));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  close = () => server.close();
});
afterAll(() => close());

const status = async (path: string, network = true): Promise<number> =>
  (await fetch(origin + path, { headers: network ? { [FROM_NETWORK]: "yes" } : {} })).status;

test.each([
  "/",
  "/people",
  "/people.csv",
  "/class/x/plan",
  "/s",
  "/s/abc/more",
  "/_root.data",
  "/s/abc.data",
  "//people",
])("%s is closed to the network and open on the machine", async (path) => {
  expect(await status(path)).toBe(403);
  expect(await status(path, false)).toBe(200);
});
test.each(["/s/abc-_9", "/health", "/favicon.svg"])("%s is open to both", async (path) => {
  expect(await status(path)).toBe(200);
});
