/** The scale of a chart that starts at nothing: round steps, a few of them. */

const ROUND = [1, 2, 5, 10];
/** At most so many steps from 0 to the top. */
const MOST_STEPS = 5;

/** An axis from 0 that reaches beyond `most`: its top, and the step between its marks, which is `least` or more. */
export function axisTo(most: number, least = 0): { readonly max: number; readonly step: number } {
  if (!(most > 0)) return { max: 1, step: 1 };
  const ten = 10 ** Math.floor(Math.log10(most / MOST_STEPS));
  const step = ROUND.map((round) => round * ten).find((size) => most / size <= MOST_STEPS) ?? 10 * ten;
  if (step < least) return { max: least * Math.ceil(most / least - 1e-9), step: least };
  return { max: step * Math.ceil(most / step - 1e-9), step };
}
