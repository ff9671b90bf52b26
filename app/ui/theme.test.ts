import { COLOURS, type Scheme } from "./theme.ts";

/** Relative luminance and contrast ratio as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
function contrast(a: string, b: string): number {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (high! + 0.05) / (low! + 0.05);
}

test("the formula gives the published extremes", () => {
  // WCAG 2.2: black on white is 21 to 1; #767676 on white is the known 4.54.
  expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
  expect(contrast("#767676", "#ffffff")).toBeCloseTo(4.54, 2);
});

describe.each(["light", "dark"] as Scheme[])("%s scheme", (scheme) => {
  const c = COLOURS[scheme];
  test.each(["ink", "quiet", "accent", "A", "B", "C", "risky", "invalid"] as const)(
    "%s reads on both grounds",
    (name) => {
      expect(contrast(c[name], c.paper)).toBeGreaterThanOrEqual(4.5);
      expect(contrast(c[name], c.raised)).toBeGreaterThanOrEqual(4.5);
    },
  );
});
