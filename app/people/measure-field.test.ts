import { measureText, readMeasure } from "./measure-field.tsx";

test.each([
  ["18.5", 18.5],
  ["18,5", 18.5],
  ["18.", 18],
  [" 178 ", 178],
  ["", null],
  ["0", 0],
  ["185cm", undefined],
  ["1.850,5", undefined],
  ["eighteen", undefined],
  ["-5", undefined],
])("“%s” is %s", (text, value) => {
  expect(readMeasure(text)).toBe(value);
});
test("what was saved is shown as it was written", () => {
  expect([measureText(18.5), measureText(null), measureText(178)]).toEqual(["18.5", "", "178"]);
});
