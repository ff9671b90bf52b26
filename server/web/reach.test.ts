import { opensHereOnly } from "./reach.ts";

test("an address on loopback opens on its own machine alone", () => {
  for (const address of [
    "http://localhost:4000/in/a",
    "https://127.0.0.1/s/b",
    "http://[::1]:3/x",
    "http://127.9.1.2/",
  ])
    expect(opensHereOnly(address)).toBe(true);
  for (const address of ["https://club.local:8443/in/a", "http://192.168.0.7/s/b", "https://127.0.0.1.example/in/c"])
    expect(opensHereOnly(address)).toBe(false);
});
