/** One round by itself, without a plan of the evening. */
import { randomUUID } from "node:crypto";
import { meetings, savePairs, type NewPair } from "#db/classes.ts";
import { listPresence } from "#db/attendance.ts";
import { getDrill } from "#db/drills.ts";
import { listStudents, listWishes } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { WORDS } from "./keep-plan.ts";
import { planPerson } from "./plan-page.ts";
import { jsonIn, pairsSchema } from "../web/forms.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { settingsOf, todayOf } from "../school/school-of.ts";
import { versionsOf } from "../drills/versions.ts";

interface Paired {
  readonly kind: "paired";
  readonly count: number;
  /** Who is in no pair, and why. */
  readonly message?: string;
}
/** Minutes of a round that nobody has planned. */
const MINUTES = 10;

const newPair = (pair: Pick<NewPair, "a" | "b" | "c" | "revisionId" | "why">): NewPair => ({
  ...pair,
  id: randomUUID(),
  round: 1,
  side: null,
});

/** Pairs everybody who is here on a drill and gives each pair the version that fits. */
export async function pairRound(
  scope: Scope,
  classId: string,
  { drillId, version }: { readonly drillId: string; readonly version: number },
): Promise<Paired | Refusal> {
  const base = await getDrill(db, scope, drillId);
  if (!base) return refused("Choose a drill first; the one you chose is not here any more.");
  const [students, presence, met, wishes] = await Promise.all([
    listStudents(db, scope),
    listPresence(db, scope, classId),
    meetings(db, scope, classId, { among: null, since: null }),
    listWishes(db, scope),
  ]);
  const here = new Map(presence.map((p) => [p.student_id, p.tonight_not]));
  const day = await todayOf(scope);
  const versions = await versionsOf(scope, base);
  const round = await compute(
    "round",
    {
      people: students.flatMap((s) => {
        const not = here.get(s.id);
        return not ? [planPerson(s, { family: base.drill.kind, day, from: 0, until: null, not })] : [];
      }),
      versions: versions.map(({ text, title, load }) => ({ text, title, load })),
      base: versions.findIndex((v) => v.drillId === drillId),
      met: Object.fromEntries(met),
      wishes,
    },
    await settingsOf(scope),
  );
  if (!round.ok) return refused(round.message);
  const pairs = round.pairs.map(({ version: place, ...pair }) =>
    newPair({ ...pair, revisionId: versions[place]!.revisionId }),
  );
  const saved = await savePairs(scope, classId, version, { id: randomUUID(), drillId, minutes: MINUTES, pairs });
  if (saved.kind !== "saved") return refused(WORDS[saved.kind]);
  const count = pairs.length;
  return round.left.length === 0 ? { kind: "paired", count } : { kind: "paired", count, message: round.left.join(" ") };
}

/** Another version for one pair: the whole round is written again with that one changed. */
export async function changeRound(scope: Scope, classId: string, json: string | undefined): Promise<Paired | Refusal> {
  const { version, drillId, pairs } = await pairsSchema.validate(jsonIn(json, "The round"));
  const block = {
    id: randomUUID(),
    drillId,
    minutes: MINUTES,
    pairs: pairs.map(({ a, b, c, revisionId, why }) => newPair({ a, b, c: c ?? null, revisionId, why })),
  };
  const saved = await savePairs(scope, classId, version, block);
  return saved.kind === "saved" ? { kind: "paired", count: pairs.length } : refused(WORDS[saved.kind]);
}
