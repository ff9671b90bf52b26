/** An own move between its form and its data. A new move starts from ones that it is like: their numbers are edited. */
import { PARTS } from "#core/body/parts.ts";
import {
  COVER_LIMBS,
  LIMBS,
  ROLES,
  TOOLS,
  TRADITIONS,
  type MoveData,
  type Role,
  type Tradition,
  COMPANIONS,
  EFFECTS,
} from "#core/words/types.ts";

export interface OwnMoveForm {
  readonly id: string;
  /** Names of each tradition, with commas between them. */
  readonly names: Record<Tradition, string>;
  readonly group: string;
  readonly roles: Record<Role, boolean>;
  readonly limb: MoveData["limb"];
  /** One to a line. */
  readonly coaching: string;
  readonly faults: string;
  readonly cautions: string;
  /** What the move does, copied from the moves it is like and edited. */
  readonly body: MoveBody;
}
export type MoveBody = Omit<
  MoveData,
  "id" | "names" | "group" | "roles" | "limb" | "coaching" | "faults" | "cautions" | "numbered"
>;

const OF_THE_FORM = ["id", "names", "group", "roles", "limb", "coaching", "faults", "cautions", "numbered"];

const lines = (text: string): string[] =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);

const bodyOf = (move: MoveData): MoveBody =>
  Object.fromEntries(Object.entries(move).filter(([key]) => !OF_THE_FORM.includes(key))) as unknown as MoveBody;

export function formOf(move: MoveData): OwnMoveForm {
  return {
    id: move.id,
    names: Object.fromEntries(TRADITIONS.map((t) => [t, (move.names[t] ?? []).join(", ")])) as Record<
      Tradition,
      string
    >,
    group: move.group,
    roles: Object.fromEntries(ROLES.map((r) => [r, move.roles.includes(r)])) as Record<Role, boolean>,
    limb: move.limb,
    coaching: move.coaching.join("\n"),
    faults: move.faults.join("\n"),
    cautions: (move.cautions ?? []).join("\n"),
    body: bodyOf(move),
  };
}

/** A new move that is like another: its own names are still to be given. */
export const formLike = (move: MoveData, name: string): OwnMoveForm => ({
  ...formOf(move),
  id: "",
  names: { ...(Object.fromEntries(TRADITIONS.map((t) => [t, ""])) as Record<Tradition, string>), english: name },
});

const slug = (name: string): string =>
  `own-${name
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 50)}`;

/** The move that a form describes; it may still be wrong, which the schema of moves says. */
export function moveOf(form: OwnMoveForm): MoveData {
  const names = Object.fromEntries(
    TRADITIONS.flatMap((t) => {
      const all = form.names[t]
        .split(",")
        .map((n) => n.trim())
        .filter(Boolean);
      return all.length > 0 ? [[t, all]] : [];
    }),
  ) as MoveData["names"];
  const cautions = lines(form.cautions);
  return {
    ...form.body,
    id: form.id || slug(names.english?.[0] ?? ""),
    names,
    group: form.group.trim(),
    roles: ROLES.filter((r) => form.roles[r]),
    limb: form.limb,
    coaching: lines(form.coaching),
    faults: lines(form.faults),
    ...(cautions.length > 0 ? { cautions } : {}),
  };
}

/** Takes what another move does as a blow, or as an answer, in place of the form's own. */
export function takeFrom(body: MoveBody, what: "attack" | "answer", from: MoveData | null): MoveBody {
  const { attack, answer, move, requires, goesDown, ...rest } = body;
  if (what === "attack")
    return {
      ...rest,
      ...(answer ? { answer } : {}),
      ...(move ? { move } : {}),
      ...(requires ? { requires } : {}),
      ...(goesDown ? { goesDown } : {}),
      ...(from?.attack ? { attack: from.attack } : {}),
    };
  return {
    ...rest,
    ...(attack ? { attack } : {}),
    ...(from?.answer ? { answer: from.answer } : {}),
    ...(from?.move ? { move: from.move } : {}),
    ...(from?.requires ? { requires: from.requires } : {}),
    ...(from?.goesDown ? { goesDown: from.goesDown } : {}),
  };
}

type LeafPath = readonly (string | number)[];
/** One value of a move's body that a form can show. */
export interface Leaf {
  readonly path: LeafPath;
  readonly label: string;
  readonly value: number | string;
  /** Allowed words of a value that is a word. */
  readonly options?: readonly string[];
}

const WORDS: Readonly<Record<string, readonly string[]>> = {
  tool: TOOLS,
  path: ["thrust", "arc", "shoot"],
  target: Object.keys(PARTS),
  loads: ["same", "other"],
  leaves: ["same", "other"],
  effect: EFFECTS,
  limb: [...COVER_LIMBS, ...LIMBS],
  push: ["inward", "outward", "down", "up"],
  stands: ["incoming", "lead", "rear", "both"],
  to: ["inside", "outside"],
  part: ["leg"],
  way: ["evade", "weave", "word"],
  requires: [...COMPANIONS],
  kind: ["pin", "grip", "touch", "clear", "break"],
  on: [...new Set([...Object.keys(PARTS), "hand", "leg", "wrist", "forearm", "arm", "elbow", "weapon", "weapon arm"])],
  direction: ["gone"],
  goes: ["turn", "with", "against", "through"],
  sides: ["limb", "cover", "way", "none"],
  needs: ["stick", "blade", "weapon", "empty", "two sticks", "pad"],
  changes: ["stance", "hands"],
  side: ["lead", "rear"],
  heights: ["high", "mid", "low"],
};

const LABELS: Readonly<Record<string, string>> = {
  tool: "Hits with",
  path: "Path",
  clock: "From, hour of the clock",
  target: "Goes to",
  extension: "Reach, share of the arm",
  reach: "Reach, share of height",
  turn: "Turn, degrees",
  turnReturn: "Turn as a return, degrees",
  drive: "Drives on, m",
  step: "Step, m",
  minGap: "Room it needs, m",
  contact: "To contact, ms",
  recover: "Back to guard, ms",
  loads: "Needs the foot free",
  leaves: "Weight afterwards",
  commitment: "Commitment, 0 to 1",
  effect: "A hit brings",
  side: "Aside, m",
  drop: "Down, m",
  back: "Back, m",
  feet: "Feet, m",
  leg: "Leg back, m",
  way: "Way",
  limb: "With the",
  depth: "In front of the body, m",
  stands: "Stands",
  push: "Pushes",
  limit: "Largest push, m",
  to: "To the",
  line: "Line of defence",
  box: "Where, share of height",
  segments: "Where it stands, share of height",
  move: "Takes, ms",
  requires: "Only with",
  kind: "Contact",
  on: "On",
  direction: "Push: right, up, back",
  goes: "Gives way: right, up, back",
  sides: "A side word means",
  needs: "Holds",
  changes: "Changes",
};
/** A key that means a number in one place and a word in another. */
const WORD_LABELS: Readonly<Record<string, string>> = { side: "Follows up with the limb" };
const CORNERS = ["from the side", "to the side", "from height", "to height"];
const NAMED = new Set(["head", "chest", "belly", "hips", "legs", "high", "mid", "low", "lead", "rear", "forward"]);

/** The numbers and words of a body, in order, with what each means. */
export function leavesOf(body: unknown, path: LeafPath = []): Leaf[] {
  if (typeof body === "number" || typeof body === "string") {
    const key = [...path].reverse().find((p) => typeof p === "string" && !NAMED.has(p));
    if (typeof key !== "string" || !(key in LABELS)) return [];
    const tail = path.slice(path.lastIndexOf(key) + 1);
    const detail = tail.map((p) => (typeof p === "number" ? (tail.at(-1) === p ? CORNERS[p] : "") : p)).filter(Boolean);
    const word = typeof body === "string";
    const label = [(word && WORD_LABELS[key]) || LABELS[key], ...detail].join(", ");
    const options = word ? WORDS[key] : undefined;
    return [{ path, label, value: body, ...(options ? { options } : {}) }];
  }
  if (typeof body !== "object" || body === null) return [];
  const entries = Array.isArray(body)
    ? body.map((value, i) => [i, value] as const)
    : Object.entries(body as Record<string, unknown>);
  return entries.flatMap(([key, value]) => (key === "by" ? [] : leavesOf(value, [...path, key])));
}

/** A body with one value changed; nothing of the old one is touched. */
export function withLeaf<T>(body: T, [key, ...rest]: LeafPath, value: number | string): T {
  if (key === undefined) return value as T;
  const copy = (Array.isArray(body) ? [...(body as unknown[])] : { ...body }) as Record<string | number, unknown>;
  copy[key] = withLeaf(copy[key], rest, value);
  return copy as T;
}
