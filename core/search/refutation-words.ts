/** A refutation as an instructor is told it. */
import type { Refutation } from "./refute.ts";

/** What was found, in a sentence or three; `line` and the answers in it are notation. */
export function refutationWords(found: Refutation): string {
  switch (found.kind) {
    case "holds":
      return `It holds: whatever the feeder throws behind it, ${actions(found.plies)} deep, there is an answer in time.`;
    case "stopped":
      return found.plies === 0
        ? "The search was ended before anything was found."
        : `It holds ${actions(found.plies)} deep. The search was ended there.`;
    case "nothing":
      return found.reason;
    case "refuted":
      return `Exchange ${found.exchange}, and then: ${found.line}. The ${found.lands} lands: ${found.reason}. ${mend(found)}`;
  }
}

const actions = (count: number): string => (count === 1 ? "one action" : `${count} actions`);

function mend({ exchange, repair, inTime }: Refutation & { kind: "refuted" }): string {
  if (repair) return `Answer exchange ${exchange} with ${repair}: then it does not.`;
  if (inTime === null) return "Train the line by itself, slowly.";
  return `Say what comes, or go down to ${Math.floor((inTime * 100) / 5) * 5}%.`;
}
