/** Verdicts as they are shown: what holds with bare hands against a blade is never called sound. */
import { shownVerdict, type VerdictName } from "../base/verdict-words.ts";
import type { Checked } from "./types.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { isBareToBlade } from "../exchange/verdict.ts";

/** Returns the verdict of an exchange as it is shown. */
export const shownOf = (e: CheckedExchange): VerdictName => shownVerdict(e.verdict, isBareToBlade(e));

/** Returns the verdict of a drill as it is shown. */
export const shownOfAll = ({ verdict, exchanges }: Pick<Checked, "verdict" | "exchanges">): VerdictName =>
  shownVerdict(verdict, exchanges.some(isBareToBlade));
