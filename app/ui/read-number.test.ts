import { readNumber } from "./read-number.ts";

test.each([
  ["18.5", 18.5],
  ["18,5", 18.5],
  ["18.", 18],
  [" 178 ", 178],
  ["", null],
  ["0", 0],
  ["185cm", NaN],
  ["1.850,5", NaN],
  ["eighteen", NaN],
  ["-5", NaN],
])("“%s” is %s", (text, value) => {
  expect(readNumber(text)).toBe(value);
});
