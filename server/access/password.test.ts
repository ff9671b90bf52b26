/** Passwords: lengths and refusals as OWASP ASVS 4 has them (2.1, from memory), the hash as RFC 9106 writes it. */
import { faultOfPassword, hashPassword, isPassword } from "./password.ts";

const about = ["Maren Holt", "maren@ropewalk.example"];

test.each([
  ["short words", /at least 12/],
  ["x".repeat(129), /at most 128/],
  ["ababababababab", /one letter again/],
  ["password12345", /stolen/],
  ["!!!Sunshine2024", /stolen/],
  ["marenropewalk1", /little more than your name/],
  ["Holt.Maren.Holt", /little more than your name/],
])("%s is refused", (password, why) => expect(faultOfPassword(password, about)).toMatch(why));

test.each(["three slow feeds", "Übung macht müde!", "日本の朝はとても静かです。夜も", "                 a b c d"])(
  "%s is taken",
  (password) => expect(faultOfPassword(password, about)).toBeNull(),
);

test("only the right one is right; without one nothing is, and it takes as long", async () => {
  const kept = await hashPassword("three slow feeds");
  expect(kept).toMatch(/^\$argon2id\$v=19\$m=65536,t=6,p=1\$/);
  expect(await hashPassword("three slow feeds")).not.toBe(kept);
  expect(await isPassword(kept, "three slow feeds")).toBe(true);
  expect(await isPassword(kept, "three slow feed")).toBe(false);
  expect(await isPassword(null, "nobody has this password")).toBe(false);
  expect(await isPassword("not a hash", "x")).toBe(false);
});
