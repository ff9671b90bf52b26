/** Pages that were drawn before: the same only for the same address and the same that was loaded. */
import { DrawnPages } from "./drawn-pages.ts";

const pages = () => new DrawnPages();

test("a kept page comes with the nonce of each answer and with no other", () => {
  const kept = pages();
  const key = kept.keyOf("/people", 200, { people: ["Ann"] })!;
  expect(kept.find(key, "b1")).toBeNull();
  kept.keep(key, "a0a0", '<script nonce="a0a0">é – 1</script><style nonce="a0a0"></style>');
  expect(kept.find(key, "b1b1")!.toString()).toBe('<script nonce="b1b1">é – 1</script><style nonce="b1b1"></style>');
  expect(kept.find(key, "c2c2")!.toString()).not.toContain("a0a0");
});
test("another address, another status, or anything else in what was loaded is another page", () => {
  const kept = pages();
  const made = () => ({ root: { school: "A" }, page: { people: [{ name: "Ann", until: null }], at: new Date(5) } });
  const loaded = made();
  const key = kept.keyOf("/people", 200, loaded);
  expect(kept.keyOf("/people", 200, made())).toBe(key);
  for (const [address, status, other] of [
    ["/people?part=gear", 200, loaded],
    ["/people", 404, loaded],
    ["/people", 200, { ...loaded, root: { school: "B" } }],
    ["/people", 200, { ...loaded, page: { ...loaded.page, people: [{ name: "Ann", until: undefined }] } }],
    ["/people", 200, { ...loaded, page: { ...loaded.page, at: new Date(6) } }],
    ["/people", 200, { ...loaded, more: new Map([["a", 1]]) }],
  ] as const)
    expect(kept.keyOf(address, status, other)).not.toBe(key);
});
test("what cannot be compared is drawn each time; few pages are kept, those asked for last", () => {
  const kept = pages();
  expect(kept.keyOf("/", 200, { later: () => 1 })).toBeNull();
  const keys = Array.from({ length: 400 }, (_, i) => kept.keyOf(`/${i}`, 200, null)!);
  kept.keep(keys[0]!, "n", "first n");
  for (const key of keys.slice(1)) {
    kept.keep(key, "n", "page n");
    kept.find(keys[0]!, "n");
  }
  expect(kept.find(keys[0]!, "n")).not.toBeNull();
  expect(kept.find(keys[1]!, "n")).toBeNull();
  expect(kept.find(keys[399]!, "n")).not.toBeNull();
});
