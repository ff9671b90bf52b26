/** Settings of the environment: the usual ones, and what is said of wrong ones. */
import { readEnv } from "./env.ts";

test("what is not set, or empty, is as usual", () => {
  expect(readEnv({})).toMatchObject({ CHECK_TIME_LIMIT: 10_000, VICISSOR_BACKUPS: ".data/backups" });
  expect(readEnv({ TRUST_PROXY: "", CHECK_TIME_LIMIT: "" })).toMatchObject({ CHECK_TIME_LIMIT: 10_000 });
  expect(readEnv({}).TRUST_PROXY).toBeUndefined();
});
test("numbers come as numbers, and what others set is left out", () => {
  expect(readEnv({ TRUST_PROXY: "2", PORT: "4180", HOME: "/root" })).toMatchObject({ TRUST_PROXY: 2, PORT: 4180 });
  expect(readEnv({ HOME: "/root" })).not.toHaveProperty("HOME");
});
test("everything that is wrong is named at once, with what it is", () => {
  expect(() => readEnv({ TRUST_PROXY: "yes", PORT: "70000", CHECK_TIME_LIMIT: "soon", LAN_ORIGIN: "hall" })).toThrow(
    /PORT is a port from 1 to 65535.*LAN_ORIGIN is an address.*TRUST_PROXY is how many proxies.*it is “yes”.*CHECK_TIME_LIMIT is a time.*it is “soon”/,
  );
});
