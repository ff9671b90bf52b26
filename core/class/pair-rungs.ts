/** On which rungs the two of a pair answer. */
import type { PlanRung } from "./plan-rung.ts";
import type { PlannedPair } from "./plan.ts";

/** The rungs of a pair, with who answers on which in the order of their names; one for both is nobody's own. */
export const rungsOf = ({
  rung,
  back,
}: Pick<PlannedPair, "rung" | "back">): readonly { readonly who: "A" | "B" | ""; readonly at: number }[] =>
  back === undefined || back === rung
    ? [{ who: "", at: rung }]
    : [
        { who: "A", at: back },
        { who: "B", at: rung },
      ];

/** A rung as an evening calls it: by its number, or without one where it is of the theme before. */
export const rungName = (rungs: readonly Pick<PlanRung, "title" | "past">[], at: number): string =>
  rungs[at]?.past ? rungs[at].title : `${at + 1}. ${rungs[at]?.title ?? ""}`;
