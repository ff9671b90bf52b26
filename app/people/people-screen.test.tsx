/** People as the server writes them. */
import { student } from "../class/testing.ts";
import { PeopleScreen } from "./people-screen.tsx";
import type { PersonView } from "#server/views.ts";
import { text } from "../ui/testing.tsx";

const screen = (people: readonly PersonView[], rows: number | null = null) =>
  text(<PeopleScreen list={{ part: "people", people, rows, asked: null, unsaid: [] }} wishes={[]} gear={[]} />);

describe("people", () => {
  test("are listed with measures, levels and limits", () => {
    const list = screen([student("Odo", { minor: true, age: "minor" }), student("Edda")]);
    expect(list).toMatch(/Edda 171 cm – 66 kg left right flow 4 no falls .*Odo · minor/);
  });
  test("nobody yet: it says how to begin", () => {
    expect(screen([])).toMatch(/Nobody is here yet\. Add a person, or read a table/);
  });
  test("of a long list a part is here, and it says so", () => {
    expect(screen([student("Odo")], 4500)).toMatch(/1 of 4500 are shown\. Show 100 more/);
    const many = Array.from({ length: 130 }, (_, i) => student(`Person ${i}`));
    expect(screen(many)).toMatch(/100 of 130 are shown\. Show 30 more/);
  });
});
