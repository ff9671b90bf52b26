/** Small builders for tests of single mechanisms. */
import { plainFeed } from "./feed.ts";
import { launch } from "./blow.ts";
import type { Blow, Feed } from "./types.ts";
import { bodyOf } from "../body/body.ts";
import { startState, type BodyState } from "../body/state.ts";
import { readHeader } from "../score/header.ts";
import { parse } from "../score/parse.ts";
import { parsePerson } from "../score/person.ts";
import { linesOf } from "../score/structure.ts";
import type { Actor, Row } from "../score/types.ts";
import { readerFor } from "../read/line-reader.ts";
import { doneFrom } from "../read/stance.ts";
import type { MoveUse } from "../read/types.ts";
import { shippedVocabulary } from "../words/vocabulary.ts";

/** A person standing at a place on the floor; `row` as in a header. */
export const standing = (actor: Actor, row: string, y: number): BodyState =>
  startState(actor, bodyOf(parsePerson(row).person), 0, y);

/** The moves of one beat as this person would do them. */
export function movesOf(text: string, state: BodyState, kind = "feeder"): readonly MoveUse[] {
  const score = parse(`kind: ${kind}\n\n${state.actor} ${text}`);
  const { header } = readHeader(score);
  const people = { ...header.people, [state.actor]: state.body.person };
  const reader = readerFor({ ...header, people }, shippedVocabulary());
  const { plays } = reader.read([...linesOf(score.items)][0]!.line);
  return doneFrom(plays[0]!.turns[0]!.alternatives[0]![0]!, state, reader.vocabulary).beats[0]!.uses;
}

export const ROW: Row = parse("A jab").rows[0]!;

/** A feed of A at B. */
export const feedOf = (use: MoveUse, isReturn = false): Feed => ({
  ...plainFeed({ use, row: ROW, actor: "A", receiver: "B" }),
  isReturn,
});

export interface Scene {
  readonly attacker: BodyState;
  readonly receiver: BodyState;
  readonly blow: Blow;
}

/** A launches a blow at B from a distance in metres. */
export function scene(blow: string, distance: number, a = "", b = ""): Scene {
  const attacker = standing("A", a, 0);
  const receiver = standing("B", b, distance);
  return { attacker, receiver, blow: launch(feedOf(movesOf(blow, attacker)[0]!), attacker, receiver, 0) };
}
