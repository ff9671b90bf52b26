/** Who is here, as the server writes it. */
import { Attendance, listed } from "./attendance.tsx";
import { student } from "./testing.ts";
import { html, text } from "../ui/testing.tsx";

describe("who is here", () => {
  const school = Array.from({ length: 90 }, (_, i) => student(`Member ${String(i).padStart(2, "0")}`, { id: `s${i}` }));
  test("a small school is listed whole, without a search", () => {
    expect(listed(school.slice(0, 20), new Set(), "")).toHaveLength(20);
    const few = text(<Attendance id="c" students={school.slice(0, 20)} here={new Set()} />);
    expect(few).not.toMatch(/Search by name/);
  });
  test("of a large one those who are here and the first of the others, the rest by name", () => {
    const here = new Set(["s80", "s89"]);
    const shown = listed(school, here, "").map((s) => s.id);
    expect(shown).toHaveLength(62);
    expect(shown).toEqual(expect.arrayContaining(["s0", "s59", "s80", "s89"]));
    expect(shown).not.toContain("s60");
    expect(text(<Attendance id="c" students={school} here={here} />)).toMatch(
      /Search by name.*28 more: search by name\./,
    );
  });
  test("a search finds by any part of the name, and says when it finds nobody", () => {
    expect(listed(school, new Set(), " MEMBER 7").map((s) => s.id)).toEqual(school.slice(70, 80).map((s) => s.id));
    expect(listed(school, new Set(["s1"]), "nobody")).toEqual([]);
    expect(text(<Attendance id="c" students={[]} here={new Set()} />)).toMatch(/no people yet/);
  });
  test("what somebody leaves out tonight stands with their name; who is not here is not asked", () => {
    const few = school.slice(0, 2);
    const said = html(<Attendance id="c" students={few} here={new Set(["s0"])} not={{ s0: ["head", "knee"] }} />);
    expect(said).toContain("leaves out: head, knee");
    expect(said).toContain("What Member 00 leaves out tonight");
    expect(said).not.toContain("What Member 01 leaves out tonight");
  });
});
