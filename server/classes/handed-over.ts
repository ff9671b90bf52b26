/** What somebody is told of themselves: their page to keep, tonight's rounds, and what they can go on with at home. */
import { rungsOf } from "#core/class/pair-rungs.ts";
import { shortNames } from "#core/people/short-names.ts";
import { getPlan, getTonight } from "#db/classes.ts";
import { recordClass } from "#db/floor.ts";
import { listRungsOf } from "#db/ladders.ts";
import { drillsOf, type LogSums } from "#db/log-sums.ts";
import { listPeople } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { settingsOf } from "../school/school-of.ts";
import { personPage } from "../learning/trained.ts";

export interface SheetPage {
  readonly person: { readonly id: string; readonly name: string };
  readonly school: string;
  readonly sums: LogSums;
  readonly says: "trained" | "marks";
}

const unseen = <Of extends { readonly clean: number; readonly open: number }>(tally: Of): Of => ({
  ...tally,
  clean: 0,
  open: 0,
});

/** The page about somebody that is handed to them, without others and without health; null where it is not. */
export async function sheetPage(scope: Scope, id: string): Promise<SheetPage | "closed" | null> {
  const page = await personPage(scope, id);
  if (!page) return null;
  const says = page.person.age === "adult" ? "marks" : page.minorsPage;
  if (says === "nothing") return "closed";
  const { weeks, themes, evenings } = page.sums;
  // What is not said is not sent either.
  const told = says === "marks" ? { weeks, themes } : { weeks: weeks.map(unseen), themes: themes.map(unseen) };
  return {
    person: { id, name: page.person.name },
    school: page.school,
    sums: { ...told, evenings, people: [], partners: [], faults: [] },
    says,
  };
}

export interface OwnRound {
  /** From 1. */
  readonly round: number;
  readonly done: boolean;
  /** `A Edda, B Odo`. */
  readonly whom: string;
  /** They stop short of each other. */
  readonly noContact: boolean;
  readonly what: readonly {
    readonly title: string;
    /** As it is written; empty where the plan does not say which drill it was. */
    readonly text: string;
    readonly play: readonly string[];
    readonly cues: readonly string[];
  }[];
}

/**
 * Returns a student's rounds of a class as it is planned, with the work of each. Asks only for those rounds: no other
 * people, no limits, no other rungs.
 */
async function ownRounds(scope: Scope, classId: string, id: string): Promise<OwnRound[]> {
  // Rounds that began while nobody looked are written down first.
  await recordClass(scope, classId, Date.now());
  const kept = await getPlan(db, scope, classId);
  // A plan of an earlier version does not say which rungs it is on: then the title of the block has to do.
  const titles = new Map(kept?.plan.blocks.map((one) => [one.id, one.title]));
  const own = (kept?.plan.rounds ?? []).flatMap(({ pairs, done, block }, i) =>
    pairs
      .filter(({ a, b, c }) => [a, b, c].includes(id))
      .map((pair) => ({ pair, done, round: i + 1, title: titles.get(block) ?? "" })),
  );
  const revisionOf = (at: number) => kept?.revisions?.[at] ?? "";
  const ids = own.flatMap(({ pair }) => rungsOf(pair).map(({ at }) => revisionOf(at))).filter(Boolean);
  const rungs = await listRungsOf(db, scope, [...new Set(ids)]);
  const words = await compute(
    "words",
    rungs.map(({ text, operator }) => ({ text, operator })),
    await settingsOf(scope),
  );
  const said = new Map(
    rungs.map(({ revision_id, changed, text }, i) => [revision_id, { title: changed, text, ...words[i]! }]),
  );
  const partners = await listPeople(db, scope, [...new Set(own.flatMap(({ pair }) => inPair(pair)))]);
  const names = new Map(partners.map((one) => [one.id, one.name]));
  const short = shortNames([...names.values()]);
  return own.map(({ pair, done, round, title }) => ({
    round,
    done,
    noContact: pair.form !== undefined,
    whom: inPair(pair)
      .map((who, place) => `${"ABC"[place]!} ${short(names.get(who) ?? "Somebody")}`)
      .join(", "),
    what: rungsOf(pair).map(({ at }) => {
      const one = said.get(revisionOf(at));
      return {
        title: one?.title ?? title,
        text: one?.text ?? "",
        play: one?.play.map(({ text }) => text) ?? [],
        cues: one?.cues ?? [],
      };
    }),
  }));
}

const inPair = ({ a, b, c }: { readonly a: string; readonly b: string; readonly c: string | null }): string[] =>
  c === null ? [a, b] : [a, b, c];

export interface OwnPage {
  readonly id: string;
  readonly name: string;
  /** The class that is next or on, and their rounds in it. */
  readonly lesson: { readonly title: string; readonly held_on: string; readonly rounds: readonly OwnRound[] } | null;
  /** What they trained, the latest first. */
  readonly drills: readonly { readonly id: string; readonly title: string; readonly last: string }[];
}

/** What a student sees of the school: their own rounds tonight, and their drills to go on with. */
export async function ownPage(scope: Scope, id: string, name: string): Promise<OwnPage> {
  const [tonight, drills] = await Promise.all([getTonight(db, scope), drillsOf(db, scope, id)]);
  const lesson = tonight && {
    title: tonight.title,
    held_on: tonight.held_on,
    rounds: await ownRounds(scope, tonight.id, id),
  };
  return { id, name, lesson, drills };
}
