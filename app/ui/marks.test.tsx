/** Marks, trouble and dates as the server writes them. */
import { shortDate } from "./dates.ts";
import { PartnerMark, VerdictRing } from "./marks.tsx";
import { faultOf, Trouble } from "./trouble.tsx";
import { html, text } from "./testing.tsx";

describe("marks and trouble", () => {
  test("verdicts and partners have a word each", () => {
    expect(html(<VerdictRing verdict="risky" />)).toMatch(/aria-label="risky"/);
    expect(text(<VerdictRing verdict="broken" word />)).toMatch(/broken/);
    expect(html(<PartnerMark actor="C" />)).toMatch(/aria-label="partner C"/);
  });
  test("trouble is said in plain words", () => {
    expect(text(<Trouble kind="database" />)).toMatch(/cannot be reached.*tries again/);
    expect(text(<Trouble kind="missing" detail="Gone." />)).toMatch(/Gone\./);
    expect(text(<Trouble kind="fault" detail="secret stack" />)).not.toMatch(/secret/);
    expect(text(<Trouble kind="page" detail="secret stack" />)).toMatch(/Reload the page(?!.*(?:secret|log))/);
  });
  test("only a fault of the server is said to be in its log", () => {
    expect(faultOf(new Error("Unexpected Server Error"), false)).toBe("fault");
    expect(faultOf(new Error("cannot read properties"), true)).toBe("fault");
    expect(faultOf(new Error("cannot read properties"), false)).toBe("page");
    expect(faultOf("thrown words", false)).toBe("page");
  });
  test("dates are the day as it stands", () => {
    expect(shortDate("2026-03-09")).toBe("9 Mar");
  });
});
