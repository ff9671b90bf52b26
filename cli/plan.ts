/** `vicissor plan`: the evening of a class from a table of people and one drill or several, as the screen plans it. */
import Papa from "papaparse";
import { finished } from "#core/base/work.ts";
import { eveningLadder } from "#core/class/evening-ladder.ts";
import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import type { PlanRung } from "#core/class/plan-rung.ts";
import { rungsOf } from "#core/class/pair-rungs.ts";
import { GEAR_KINDS } from "#core/class/gear.ts";
import { planClass, type ClassPlan, type PlanPerson } from "#core/class/plan.ts";
import { clockFor } from "#core/class/block-needs.ts";
import { ageOn, type Aged } from "#core/people/age.ts";
import { dayIn } from "#core/base/days.ts";
import type { Age } from "#core/pairs/ages.ts";
import { levelIn, limitsOn } from "#core/people/person.ts";
import { guessColumns, readAs, readPeople, type Cells } from "#core/people/table.ts";
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { checkFor } from "#core/policy/judge.ts";
import { parse } from "#core/score/parse.ts";
import { CannotRun, readText, schoolFrom, type Common } from "./options.ts";
import type { School } from "#core/policy/school.ts";

/** A table that says nothing of ages is one of people who are of age: nobody is here to be asked. */
const ageIn = (person: Aged): Age => {
  const age = ageOn(person, dayIn("UTC", Date.now()));
  return age === "unknown" ? "adult" : age;
};

/** The people of a table, and notes on columns that are not read and cells that are empty. */
interface ReadTable {
  readonly people: readonly PlanPerson[];
  readonly notes: readonly string[];
}

/** What a table leaves open: columns that are not read, and people without what the pairing goes by. */
function gapsIn(columns: Readonly<Record<string, string | null>>, people: readonly PlanPerson[]): string[] {
  const unread = Object.keys(columns).filter((field) => columns[field] === null && field.trim() !== "");
  const without = (what: string, taken: string, lacks: (person: PlanPerson) => boolean) => {
    const names = people.filter(lacks).map(({ name }) => name);
    return names.length > 0
      ? [`No ${what}: ${names.length === people.length ? "nobody has one" : names.join(", ")}. ${taken}`]
      : [];
  };
  return [
    ...(unread.length > 0 ? [`Not read: ${unread.join(", ")}.`] : []),
    ...without("height", "They are planned as 175 cm tall.", ({ height_cm }) => height_cm === null),
    ...without("weight", "Gaps in weight can’t be seen there.", ({ mass_kg }) => mass_kg === null),
  ];
}

/** The people of a table, each with the number of their row as their id. */
function peopleIn(file: string): ReadTable {
  const { data, meta } = Papa.parse<Cells>(readText(file), { header: true, skipEmptyLines: "greedy" });
  const columns = guessColumns(meta.fields ?? []);
  if (!Object.values(columns).includes("name")) throw new CannotRun(`${file} has no column “name”`);
  const rows = readPeople(
    data.map((cells) => readAs(cells, columns)),
    [],
  );
  const faults = rows.flatMap(({ row, faults: said }) => said.map((fault) => `${file}:${row} ${fault}`));
  if (faults.length > 0) throw new CannotRun(faults.join("\n  "));
  const ages = Object.values(columns).some((name) => name === "born" || name === "ages" || name === "minor");
  const people = rows.map(({ person, row }): PlanPerson => {
    const { name, height_cm, reach_cm, mass_kg, lead, hand, ages, falls } = person!;
    return {
      id: `row-${row}`,
      ...{ name, height_cm, reach_cm, mass_kg, lead, hand, ages: ages ?? null },
      age: ageIn(person!),
      ...(falls === null ? {} : { falls }),
      level: levelIn(person!, "feeder"),
      limits: limitsOn(person!, ""),
      from: 0,
      until: null,
    };
  });
  const notes = gapsIn(columns, people);
  return { people, notes: ages ? notes : [...notes, "No ages: everybody is planned as an adult."] };
}

/** Returns what the class works on: the ladder of one drill, or several drills from the easiest up. */
function rungsIn(files: readonly string[], school: School): PlanRung[] {
  const [file = "", ...more] = files;
  if (more.length === 0) {
    const ladder = eveningLadder(readText(file), school);
    if (!ladder.ok) throw new CannotRun(`${file}: ${ladder.message}`);
    return [...ladder.rungs];
  }
  return files
    .map((one) => {
      const text = readText(one);
      const { header, load } = checkFor(parse(text), school);
      return { text, title: header.title ?? one, load: load.total };
    })
    .sort((a, b) => a.load - b.load);
}

interface PlanOptions extends Common {
  readonly people: string;
  readonly minutes: number;
}

export function runPlan(files: readonly string[], { people: table, minutes, ...options }: PlanOptions): number {
  const school = schoolFrom(options.school);
  const { people, notes } = peopleIn(table);
  const rungs = rungsIn(files, school);
  const input = { people, rungs, minutes, clock: clockFor(people), weights: PAIR_WEIGHTS };
  // Nothing is said of gear here: there is enough of it.
  const gear = Object.fromEntries(GEAR_KINDS.map(({ id }) => [id, people.length * 2]));
  const none = { blocks: null, wishes: [], met: {}, gear, frozen: NOTHING_FROZEN, locked: [] };
  const plan = finished(planClass({ ...input, ...none }, school));
  if (options.json)
    console.log(JSON.stringify({ rungs, people: people.map(({ id, name }) => ({ id, name })), notes, plan }));
  else console.log([plan.ok ? evening(plan, people) : plan.message, ...notes.map((note) => `! ${note}`)].join("\n"));
  return plan.ok ? 0 : 1;
}

/** Minutes as the clock of an evening that begins at nought. */
const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(Math.round(minutes) % 60).padStart(2, "0")}`;

/** The plan to read: minute by minute, each round with its pairs. */
function evening(plan: ClassPlan & { readonly ok: true }, people: readonly PlanPerson[]): string {
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const rows: string[] = plan.check ? [plan.check] : [];
  let at = 0;
  for (const block of plan.blocks) {
    rows.push(`${clock(at)}  ${String(block.minutes).padStart(3)} min  ${block.title}`);
    at += block.minutes;
    for (const round of plan.rounds.filter((one) => one.block === block.id)) {
      const pairs = round.pairs.map((pair) => {
        const names = [pair.a, pair.b, pair.c].flatMap((id) => (id ? [nameOf.get(id)] : [])).join(" + ");
        const own = rungsOf(pair).map(({ at: rung }) => rung + 1);
        return own.every((rung) => rung - 1 === block.rung) ? names : `${names} (${own.join("/")})`;
      });
      const alone = round.alone.map(({ id, why }) => `${nameOf.get(id)} alone: ${why}`);
      rows.push(`      round ${round.turn + 1}, ${round.side} in front: ${[...pairs, ...alone].join("; ")}`);
    }
  }
  for (const { stays, moves } of plan.lines ?? []) {
    const line = (ids: readonly string[]) => ids.map((id) => nameOf.get(id)).join(", ");
    rows.push(`In two lines. Stays: ${line(stays)}. Moves on: ${line(moves)}.`);
  }
  if (plan.left > 0) rows.push(`${clock(at)}  ${plan.left} min left`);
  return [...rows, ...plan.notes.map((note) => `! ${note}`)].join("\n");
}
