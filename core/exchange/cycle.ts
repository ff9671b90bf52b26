/** One count of a contact cycle: both do the same version, and the count that comes next. */
import { draft, type FindingDraft } from "../findings/finding.ts";
import { withBody, withState, type World } from "../body/state.ts";
import type { MoveUse } from "../read/types.ts";
import type { Row } from "../score/types.ts";
import { countWords, cycleVersion } from "../words/cycles.ts";
import type { Feed } from "./types.ts";

/** What a count came to: what is wrong with it, and what touches what, in words. */
interface Counted {
  readonly findings: readonly FindingDraft[];
  readonly says: string;
  /** The bodies with the count that they are at. */
  readonly world: World;
}

/** Takes both on by a count. `answer`: what the partner does of the same cycle. */
export function countOn({ use, actor, receiver, row }: Feed, answer: MoveUse, world: World): Counted {
  const id = use.move.cycle!;
  const one = world[actor]!;
  const two = world[receiver]!;
  const running = one.cycle?.id === id && two.cycle?.id === id ? one.cycle : null;
  const word = use.version ?? answer.version ?? running?.version ?? null;
  const version = cycleVersion(id, word);
  if (!version) return { findings: [], says: "", world };
  const count = running?.version === version.word ? (running.count % version.counts.length) + 1 : 1;
  const findings = [...apart(use, answer, row), ...miscounted([use, answer], count, version.counts.length, row)];
  const cycle = { id, version: version.word, count };
  const says = `Count ${count} of ${version.counts.length}, ${version.says}: ${countWords(version.counts[count - 1]!)}.`;
  return { findings, says, world: withBody(withBody(world, withState(one, { cycle })), withState(two, { cycle })) };
}

/** The two do different versions, or different counts. */
function apart(use: MoveUse, answer: MoveUse, row: Row): FindingDraft[] {
  const versions = use.version && answer.version && use.version !== answer.version;
  const counts = use.count && answer.count && use.count !== answer.count;
  const why = versions
    ? `one rolls ${use.version}, the other ${answer.version}`
    : counts
      ? `one is at count ${use.count}, the other at ${answer.count}`
      : null;
  return why ? [draft(row, answer, "no-meet", { code: "cycle", why })] : [];
}

function miscounted(uses: readonly MoveUse[], count: number, counts: number, row: Row): FindingDraft[] {
  const wrong = uses.find((use) => use.count !== null && use.count !== count);
  return wrong
    ? [
        draft(row, wrong, "no-meet", {
          code: "cycle",
          why: `count ${count} of ${counts} comes next, not ${wrong.count}`,
        }),
      ]
    : [];
}
