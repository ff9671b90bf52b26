/** A text as it is saved: checked on the server, so that stored verdicts are the checker's own. */
import { checkFor } from "#core/policy/judge.ts";
import type { Checked } from "#core/drill/types.ts";
import type { School } from "#core/policy/school.ts";
import { parse, plain } from "#core/score/parse.ts";
import { modelVersion } from "./model-version.ts";
import type { DrillSummary, RevisionInput } from "#db/drills.ts";

const MAX_TITLE = 120;

/** The title of a drill: its `title:` row, or its first row of play. */
export function titleOf(checked: Checked): string {
  const { header, games, exchanges } = checked;
  const fallback = games[0]?.game.name ?? (exchanges.length > 0 ? "Drill without a title" : "Empty drill");
  return (header.title ?? fallback).slice(0, MAX_TITLE);
}

/** The tools that the people of a drill hold or wear for it. */
function toolsOf({ header }: Checked): string[] {
  const tools = header.actors.flatMap((actor) => {
    const { holds, wears } = header.people[actor];
    return [
      ...(holds ? [holds.kind] : []),
      ...wears.filter((g) => g === "mitts" || g === "belly pad" || g === "kick shield"),
    ];
  });
  return [...new Set(tools)];
}

/** What lists show of a checked text. */
export const summaryOf = (checked: Checked): DrillSummary => ({
  level: checked.header.level,
  tools: toolsOf(checked),
  exchanges: checked.exchanges.length,
  games: checked.games.length,
  findings: checked.findings.filter((f) => f.severity !== "note").length,
});

/** Checks a text and gives what a revision of it stores. */
export function revisionInput(id: string, text: string, school: School): RevisionInput {
  const checked = checkFor(parse(text), school);
  const written = plain(text).split("\n");
  return {
    id,
    text,
    title: titleOf(checked),
    kind: checked.header.kind,
    verdict: checked.verdict,
    loadTotal: checked.load.total,
    modelVersion: modelVersion(),
    summary: summaryOf(checked),
    rows: checked.score.rows
      .filter((row) => row.content.body.kind === "play")
      .map(({ index }) => ({ index, text: written[index]?.trim() ?? "" })),
  };
}
