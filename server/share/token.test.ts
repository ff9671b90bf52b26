/** Tokens of links, and their codes. */
import { randomBytes, randomUUID } from "node:crypto";
import { claimedId, isSigned, qrOf, tokenOf } from "./token.ts";

const secret = randomBytes(32);

test("a token carries its id and the school's signature; any letter changed is refused", () => {
  const id = randomUUID();
  const token = tokenOf(id, secret);
  expect(token).toMatch(/^[\w-]{43}$/);
  expect(claimedId(token)).toBe(id);
  expect(isSigned(token, secret)).toBe(true);
  expect(isSigned(token, randomBytes(32))).toBe(false);
  // The last letter holds two bits that say nothing; all others count.
  for (let i = 0; i < 42; i++) {
    const other = token[i] === "A" ? "B" : "A";
    expect(isSigned(`${token.slice(0, i)}${other}${token.slice(i + 1)}`, secret)).toBe(false);
  }
});
test.each(["", "short", "x".repeat(44), `${"x".repeat(42)}!`, "../../etc/passwd"])("“%s” claims nothing", (token) => {
  expect(claimedId(token)).toBeNull();
});
// ISO/IEC 18004: 21 squares on a side in version 1 and four more in each; three corners with a square of seven, dark in its middle.
test("a code has the size of a version, and the three marks by which a camera finds it", () => {
  const { size, path } = qrOf(`https://hall.local:4443/s/${tokenOf(randomUUID(), secret)}`);
  expect((size - 17) % 4).toBe(0);
  const dark = (x: number, y: number) => path.includes(`M${x} ${y}h1v1h-1z`);
  for (const [x, y] of [
    [0, 0],
    [size - 7, 0],
    [0, size - 7],
  ] as const) {
    expect([dark(x, y), dark(x + 6, y + 6), dark(x + 1, y + 1), dark(x + 3, y + 3)]).toEqual([true, true, false, true]);
  }
});
