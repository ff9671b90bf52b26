import { cellsIn } from "./cells-in.ts";

test("a table as a spreadsheet copies it", () => {
  expect(cellsIn("Name\tHeight\nIda Holm\t168\n\nPer Lund\t\n")).toEqual({
    fields: ["Name", "Height"],
    data: [
      { Name: "Ida Holm", Height: "168" },
      { Name: "Per Lund", Height: "" },
    ],
  });
});
test("a list of names needs no heading, and one with a heading keeps it", () => {
  const both = [{ name: "Ida Holm" }, { name: "Per Lund" }];
  expect(cellsIn("Ida Holm\nPer Lund\n").data).toEqual(both);
  expect(cellsIn("name\nIda Holm\nPer Lund\n").data).toEqual(both);
});
test("nothing is no row", () => {
  expect(cellsIn("  \n").data).toEqual([]);
});
