/** Faults of a game as a whole: holes, nobody who can score, a head that is hit, a touch without its gear. */
import { draft, type FindingDraft } from "../findings/finding.ts";
import { percent } from "../exchange/time.ts";
import { goesHigh } from "../exchange/blow.ts";
import { stays } from "../exchange/cue.ts";
import { displacements } from "../exchange/move-body.ts";
import type { Header } from "../score/header.ts";
import { PADS } from "../score/person.ts";
import type { Actor } from "../score/types.ts";
import type { MoveUse } from "../read/types.ts";
import { NEED_WORDS, type GameNeed } from "../score/game-words.ts";
import type { CheckedGame, GameOption } from "./game-types.ts";

type Judged = Omit<CheckedGame, "verdict">;
/** The moves of an option, beat by beat. */
type Features = (option: GameOption) => readonly (readonly MoveUse[])[];

/** Findings on a game that was read. */
export function gameFindings(game: Judged, header: Header, features: Features): FindingDraft[] {
  return [
    ...holeFindings(game),
    ...scoreFindings(game, features),
    ...headFindings(game, header, features),
    ...touchFindings(game, header),
    ...fairnessFindings(game, header),
  ];
}

const holeFindings = ({ holes }: Judged): FindingDraft[] =>
  holes.map(({ option, feeder, responder }) =>
    draft(option.row, option, "game", { code: "hole", feeder, actor: responder, feed: option.text }),
  );

/** A person who may score needs a way to. */
function scoreFindings(game: Judged, features: Features): FindingDraft[] {
  const { may, scores, row, head, name } = game.game;
  const found: FindingDraft[] = [];
  let together = false;
  const scorers = new Set<Actor>();
  for (const { actor, row: at, events } of scores) {
    if (!may.some((one) => one.actor === actor)) {
      found.push(draft(at, { from: 0, to: 1 }, "game", { code: "no-player", actor }));
      continue;
    }
    const possible = events.filter(({ event, points }) => points > 0 && can(event.needs, actor, game, features));
    if (possible.length > 0) scorers.add(actor);
    together ||= possible.some(({ event }) => event.name === "together");
    for (const score of events) {
      if (can(score.event.needs, actor, game, features)) continue;
      const needs = NEED_WORDS[score.event.needs];
      const params = { code: "never", actor, event: score.event.name, needs };
      const finding = draft(at, score, "game", params);
      // One of several that never comes about is said; where it is all they have, nobody can play it.
      found.push(possible.length > 0 ? { ...finding, severity: "risk" } : finding);
    }
  }
  // A row that could not be read is reported already.
  const unread = (actor: Actor) => scores.some((one) => one.actor === actor && one.events.length === 0);
  for (const { actor } of may)
    if (
      !unread(actor) &&
      !together &&
      !scorers.has(actor) &&
      !found.some(({ params }) => params.actor === actor && params.code === "never")
    )
      found.push(draft(row, head, "game", { code: "no-scores", actor, game: name }));
  return found;
}

const attacks = ({ move, feint }: MoveUse): boolean =>
  (move.attack !== undefined || move.energy !== undefined) && !feint;

/** True where somebody may do what an event needs. */
function can(need: GameNeed, actor: Actor, { game, answers }: Judged, features: Features): boolean {
  const mine = (game.may.find((one) => one.actor === actor)?.options ?? []).map(features);
  const others = game.may.filter((one) => one.actor !== actor).flatMap(({ options }) => options.map(features));
  const some = (test: (use: MoveUse) => boolean) => mine.some((beats) => beats.flat().some(test));
  const cells = answers.find((one) => one.actor === actor)?.cells.flat() ?? [];
  switch (need) {
    case "nothing":
      return true;
    case "answer":
      return cells.some(({ verdict }) => verdict === "valid" || verdict === "risky");
    case "return":
      return cells.some(({ verdict, returns }) => verdict !== "invalid" && returns);
    case "attack":
      return some(attacks);
    case "feint":
      return (
        mine.some((beats) => beats.some((beat) => beat.some(({ feint }) => feint))) &&
        others.some((beats) => !beats.flat().every(({ move }) => stays(move)))
      );
    case "alike":
      return (
        mine.some((one) => mine.some((two) => two.length > one.length && beginsAs(one, two))) ||
        mine.filter((beats) => beats.flat().some(({ move }) => move.energy !== undefined)).length > 1
      );
    case "stay":
      return mine.some(
        (beats, i) =>
          beats.flat().every(({ move }) => stays(move)) &&
          (answers.find((one) => one.actor === actor)?.cells ?? []).some((row) => row[i]?.verdict === "valid"),
      );
    case "hold":
      return some(({ move }) => move.contact !== undefined || move.group.includes("clinch"));
    case "push":
      return some(({ move }) => move.energy !== undefined);
    case "away":
      return some((use) =>
        displacements(use).some(
          ({ feet }) => feet?.asFar !== undefined || (feet?.back ?? 0) > 0 || (feet?.side ?? 0) > 0,
        ),
      );
  }
}

const beginsAs = (one: readonly (readonly MoveUse[])[], two: readonly (readonly MoveUse[])[]): boolean =>
  one.length > 0 &&
  one.every((beat, i) => beat.map(({ text }) => text).join() === two[i]!.map(({ text }) => text).join());

/** Events that mean that somebody was hit. */
const HITS = new Set(["line", "landed", "got through", "clean with return"]);
const HEADGEAR: ReadonlySet<string> = new Set(["headgear", "caged headgear"]);

/** A blow to the head never scores for minors, for beginners, or without headgear. */
function headFindings({ game }: Judged, { people, level }: Header, features: Features): FindingDraft[] {
  if (game.touch?.head !== true) return [];
  const beginners = /\bbeginn/i.test(level ?? "");
  return game.scores.flatMap(({ actor, events }) => {
    const hit = events.find(({ event, points }) => points > 0 && HITS.has(event.name));
    const may = game.may.find((one) => one.actor === actor);
    if (!hit || !may) return [];
    const others = game.may.filter((one) => one.actor !== actor).map((one) => one.actor);
    const bare = others.find((other) => {
      const { minor, wears } = people[other];
      return minor || beginners || !wears.some((gear) => HEADGEAR.has(gear));
    });
    const high = may.options.find((option) =>
      features(option)
        .flat()
        .some((use) => use.move.attack && !use.feint && goesHigh(use)),
    );
    if (!bare || !high) return [];
    const why = people[bare].minor ? "a minor" : beginners ? "beginners" : `${bare} without headgear`;
    return [draft(high.row, high, "game", { code: "head", actor, move: high.text, who: why })];
  });
}

/** A touch on a pad or on a stick needs one. */
function touchFindings({ game }: Judged, { people }: Header): FindingDraft[] {
  const { touch, may, row, head } = game;
  if (!touch?.gear) return [];
  const has = ({ actor }: { readonly actor: Actor }) =>
    touch.gear === "weapon" ? people[actor].holds !== null : people[actor].wears.some((gear) => PADS.has(gear));
  if (touch.gear === "weapon" ? may.every(has) : may.some(has)) return [];
  const code = touch.gear === "weapon" ? "touch-weapon" : "touch-pads";
  return [{ ...draft(row, head, "game", { code, touch: touch.name }), severity: "risk" }];
}

function fairnessFindings(
  { game, fairness, evener, holes, feeder, answers }: Judged,
  { tempo }: Header,
): FindingDraft[] {
  const { answered, of } = fairness;
  if (holes.length > 0 || answered === of || of === 0) return [];
  const how = evener === null ? "nothing" : evener === "two options" ? "two" : "slower";
  const slower = evener !== null && evener !== "two options" ? percent(evener.slower) : "";
  const actor = answers.length === 1 ? answers[0]!.actor : feeder === "A" ? "B" : "A";
  const params = { code: `unfair-${how}`, actor, feeder: feeder ?? "A", answered, of, tempo: percent(tempo), slower };
  return [{ ...draft(game.row, game.head, "game", params), severity: "risk" }];
}
