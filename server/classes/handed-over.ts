/** What somebody is told of themselves: their page to keep, tonight's rounds, and what they can go on with at home. */
import { rungsOf } from "#core/class/pair-rungs.ts";
import { shortNames } from "#core/people/short-names.ts";
import { getTonight } from "#db/classes.ts";
import { drillsOf, type LogSums } from "#db/log-sums.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { planPage } from "./plan-page.ts";
import { personPage } from "../learning/trained.ts";
import type { PlanPage } from "../views.ts";

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
    readonly play: readonly string[];
    readonly cues: readonly string[];
  }[];
}

function ownRounds({ kept, rungs, words, names, people }: PlanPage, id: string): OwnRound[] {
  const short = shortNames(people.map(({ name }) => name));
  return (kept?.plan.rounds ?? []).flatMap(({ pairs, done }, i) =>
    pairs
      .filter(({ a, b, c }) => [a, b, c].includes(id))
      .map((pair) => ({
        round: i + 1,
        done,
        noContact: pair.form !== undefined,
        whom: [pair.a, pair.b, pair.c]
          .flatMap((who, place) => (who ? [`${"ABC"[place]!} ${short(names[who] ?? "Somebody")}`] : []))
          .join(", "),
        what: rungsOf(pair).map(({ at }) => ({
          title: rungs[at]?.title ?? "",
          play: words[at]?.play.map(({ text }) => text) ?? [],
          cues: words[at]?.cues ?? [],
        })),
      })),
  );
}

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
  const plan = tonight && (await planPage(scope, tonight.id, { ladder: null, drill: null }));
  const lesson = tonight && { title: tonight.title, held_on: tonight.held_on, rounds: plan ? ownRounds(plan, id) : [] };
  return { id, name, lesson, drills };
}
