/** Requests as they are counted and named: no ids in places, no names in lines. */
import { faultLine, placeOf } from "./requests.ts";

const ID = "5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0002";

test("places have no ids, and what is not there is one place", () => {
  expect(placeOf(`/class/${ID}/floor/items`, 200)).toBe("/class/:id/floor/items");
  expect(placeOf(`/drills/${ID}.data`, 200)).toBe("/drills/:id");
  expect(placeOf("/wp-login.php", 404)).toBe("nowhere");
  expect(placeOf("/s/abc.def", 200)).toBe("/s/:token");
});
test("a fault is one line of JSON with its request, and without what was asked for", () => {
  const line = faultLine(new Error("broken\nin two"), { requestId: "r1", path: `/people/${ID}` });
  expect(line).not.toContain("\n");
  expect(JSON.parse(line)).toMatchObject({
    level: "error",
    requestId: "r1",
    place: "/people/:id",
    message: "broken\nin two",
  });
  expect(line).not.toContain(ID);
  expect(JSON.parse(faultLine("text", { requestId: "r2", path: "/" }))).toMatchObject({ message: "text" });
});
