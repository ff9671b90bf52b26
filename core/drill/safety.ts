/** Safety and gear: findings of their own that never change a verdict of the geometry. */
import type { Customs } from "../customs/customs.ts";
import type { Header } from "../score/header.ts";
import type { Actor, Row } from "../score/types.ts";
import gear from "./gear.json" with { type: "json" };
import type { Thrown } from "./shares.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { MODEL } from "../exchange/constants.ts";

/** When gear is asked for: all that is written must hold. */
interface GearRule {
  readonly contact: readonly string[];
  readonly limb?: string;
  readonly at?: string;
  readonly weapon?: boolean;
  /** Only above this tempo, share of full speed. */
  readonly fasterThan?: number;
  readonly who: string;
  /** Any of these will do. */
  readonly gear: readonly string[];
  readonly say: string;
  readonly why: string;
}
const GEAR_RULES: readonly GearRule[] = gear.rules;

/** Findings that hold for the whole drill: live edges, gear and floor, weight gap, minors. */
export function frameFindings(
  header: Header,
  rowOf: (actor: Actor) => Row,
  thrown: readonly Thrown[],
  { minors }: Customs,
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
    if (person.minor)
      for (const code of minorCodes(actor, header, thrown, minors))
        say(actor, "minor", { code, actor, contact: header.contact });
    for (const { say: needed, why } of missingGear(actor, header, thrown))
      say(actor, "gear-missing", { actor, gear: needed, why: why.replace("{contact}", header.contact) });
  }
  const fells = thrown.some((one) => one.fells);
  const first = thrown.find((one) => one.fells);
  // Minors are told so in a finding of their own.
  if (first && (header.mats === false || (header.mats === null && !header.people[first.at].minor)))
    say(first.by, "gear-missing", { code: "mats", actor: first.at, gear: "mats" });
  const masses = people.map(({ person }) => person.mass).filter((mass): mass is number => mass !== null);
  if (masses.length >= 2 && (fells || header.contact !== "none")) {
    const heavy = Math.max(...masses);
    const light = Math.min(...masses);
    const { actor } = people.find(({ person }) => person.mass === heavy)!;
    if (heavy / light > MODEL.weightRatio)
      say(actor, "weight-gap", { actor, percent: Math.round((heavy / light - 1) * 100) });
  }
  return found;
}

/** What is not for a minor, each thing once. */
function minorCodes(actor: Actor, header: Header, thrown: readonly Thrown[], minors: Customs["minors"]): string[] {
  const { contact, people, mats } = header;
  const codes: string[] = [];
  const hard = contact === "medium" || contact === "full";
  if (hard) codes.push("contact");
  if (minors === "own" || header.kind === "solo") return codes;
  const taken = thrown.filter((one) => one.at === actor);
  const lands = (zone: Thrown["zone"]) => taken.some((one) => one.zone === zone && !one.fells);
  const { wears } = people[actor];
  if (contact !== "none" && !hard) {
    if (lands("head")) codes.push("head");
    if (lands("body") && !wears.includes("belly pad") && !wears.includes("kick shield")) codes.push("body");
  }
  if (mats === null && taken.some((one) => one.fells)) codes.push("mats");
  return codes;
}

/** The gear that somebody would have to wear for what is thrown and does not; each piece once. */
export const gearFor = (actor: Actor, header: Header, thrown: readonly Thrown[]): string[] =>
  missingGear(actor, header, thrown).map((rule) => rule.gear[0]!);

/** What somebody does not wear for what is thrown; each piece once. */
function missingGear(actor: Actor, { people, contact, tempo }: Header, thrown: readonly Thrown[]): GearRule[] {
  const missing = new Map<string, GearRule>();
  const wears: readonly string[] = people[actor].wears;
  for (const rule of GEAR_RULES) {
    if (!rule.contact.includes(contact) || tempo <= (rule.fasterThan ?? -1)) continue;
    if (rule.gear.some((piece) => wears.includes(piece))) continue;
    const plain = rule.limb === undefined && rule.at === undefined && !rule.weapon;
    if (plain || thrown.some((one) => asksFor(rule, one, actor))) missing.set(rule.say, rule);
  }
  return [...missing.values()];
}

const asksFor = (rule: GearRule, one: Thrown, actor: Actor): boolean =>
  (rule.who === "both" || actor === (rule.who === "striker" ? one.by : one.at)) &&
  (rule.limb === undefined || rule.limb === one.limb) &&
  (rule.at === undefined || rule.at === one.zone) &&
  (rule.weapon === undefined || rule.weapon === one.weapon);

function headLength(row: Row): number {
  const { body } = row.content;
  if (body.kind === "header") return body.value?.to ?? body.key.to;
  if (body.kind === "play") return body.lines[body.lines.length - 1]?.to ?? 1;
  return 1;
}
