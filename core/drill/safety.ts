/** Safety and gear: findings of their own that never change a verdict of the geometry. */
import type { Header } from "../score/header.ts";
import type { Actor, Row } from "../score/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { MODEL } from "../exchange/constants.ts";

/** Findings that hold for the whole drill: live edges, gear for the tempo, weight gap, minors. */
export function frameFindings(
  header: Header,
  rowOf: (actor: Actor) => Row,
  uses: ReadonlySet<"takedown" | "weapon">,
): FindingDraft[] {
  const found: FindingDraft[] = [];
  const whole = (row: Row) => ({ from: 0, to: Math.max(1, headLength(row)) });
  const say = (actor: Actor, rule: Parameters<typeof draft>[2], params: Parameters<typeof draft>[3]) => {
    const row = rowOf(actor);
    found.push(draft(row, whole(row), rule, params));
  };
  const people = header.actors.map((actor) => ({ actor, person: header.people[actor] }));
  for (const { actor, person } of people) {
    if (person.holds?.kind === "knife") say(actor, "training-tool", { actor });
    const padded = person.wears.includes("eye protection") || person.wears.includes("caged headgear");
    const stickNear = uses.has("weapon") && people.some((other) => other.person.holds !== null);
    if (stickNear && header.tempo > MODEL.fastTempo && !padded)
      say(actor, "gear-missing", { actor, gear: "eye protection", why: "weapons at this tempo" });
    if (header.contact === "full" && !person.wears.includes("mouthguard"))
      say(actor, "gear-missing", { actor, gear: "a mouthguard", why: "full contact" });
    if (person.minor && (header.contact === "medium" || header.contact === "full"))
      say(actor, "minor", { actor, contact: header.contact });
  }
  const masses = people.map(({ person }) => person.mass).filter((mass): mass is number => mass !== null);
  const contact = uses.has("takedown") || header.contact !== "none";
  if (masses.length >= 2 && contact) {
    const heavy = Math.max(...masses);
    const light = Math.min(...masses);
    if (heavy / light > MODEL.weightRatio)
      say(people.find(({ person }) => person.mass === heavy)!.actor, "weight-gap", { heavy, light });
  }
  return found;
}

function headLength(row: Row): number {
  const { body } = row.content;
  if (body.kind === "header") return body.value?.to ?? body.key.to;
  if (body.kind === "play") return body.lines[body.lines.length - 1]?.to ?? 1;
  return 1;
}
