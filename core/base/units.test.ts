/** Units are types: a wrong one does not compile. */
import {
  lineNumber,
  metres,
  rowIndex,
  rowOfLine,
  share,
  type LineNumber,
  type Metres,
  type RowIndex,
} from "./units.ts";

test("rows count from 0 and lines from 1, there and back", () => {
  expect(lineNumber(rowIndex(0))).toBe(1);
  expect(rowOfLine(lineNumber(rowIndex(41)))).toBe(41);
});
test("one unit does not pass for another, nor a bare number for any", () => {
  const tall: Metres = metres(1.75);
  // @ts-expect-error a share is no length
  const wrong: Metres = share(0.5);
  // @ts-expect-error a bare number says nothing of what it is
  const bare: RowIndex = 3;
  // @ts-expect-error the place of a row is not its number
  const line: LineNumber = rowIndex(3);
  expect([tall, wrong, bare, line]).toEqual([1.75, 0.5, 3, 3]);
});
