/** Words of rules that say one of several things, by the code of the finding. */
import { GUARDS, STANCES } from "../score/postures.ts";
import type { Params } from "./rules.ts";

const firstNames = (all: readonly { readonly names: readonly string[] }[]): string =>
  all.map(({ names }) => names[0]).join(", ");

/** Messages about rows that cannot be read, by code. */
export const syntaxWords: Record<string, string> = {
  stray: "“{found}” cannot be read here. A row is `A jab -> B slip out`, a header row is `key: value`.",
  junk: "“{found}” isn’t part of the notation. Take it out; between feed and answer stands `->`.",
  missing: "A move is missing here: type what they do.",
  "second-row": "Only one thing stands on a row. Start a new row for “{found}”.",
  "section-name": "A section needs a name: `section Single answers`.",
  "loop-count": "A loop runs 1 to 999 times; “{found}” is read as the nearest of these.",
  "block-head":
    "“{found}” is no block. Write `loop x4:`, `loop swap x4:`, `loop x10 each side:`, `loop x10 alternate on count:`, `choose A:`, `choose call:` or `carry:`.",
  "meet-shape": "Two blows meet one beat against one beat: `A forehand high <> B forehand high`, without `|` or `->`.",
  "alternative-actor": "All alternatives of a turn belong to one person; “{found}” is somebody else.",
  "empty-block": "This {found} holds no line. Write its lines below it, or take it out.",
  "end-alone": "`end` stands alone on its row. Take the sign behind it out.",
  "stray-end": "There is no block for this `end` to close.",
  "late-header": "“{found}:” stands below the first row of play. Header rows go to the top.",
  "label-person":
    "“{found}” is a person here, and no label. Give this choice another name, or write their row at the top.",
  "label-outside": "A label belongs inside a choice. Put `choose A:` above, or take “{found}:” away.",
  "label-twice": "The label “{found}” is there twice in this choice. Give each line its own.",
  "too-long": "The text is too long: only the first {found} characters were read. Split it into several drills.",
  more: "{found} more rows could not be read.",
  "two-moves": "Two moves stand together. Put a comma between them: `{apart}`, or `+` where both are done at once.",
  times: "Write a move as often as it is done: `{apart}`.",
  modifier:
    "“{word}” is not understood after {move}. Write `->` before the answer; or use lead, rear, left, right, high, mid, low, in, out, `to PART`, `on PART`.",
  part: "“{part}” is no part of the body that we know. Write for example `{word} head`, `{word} chest` or `{word} lead knee`.",
  actor: "Three people work here: say who does this, A, B or C.",
  "same-actor": "{actor} can’t answer their own move. It is the other one’s turn: after `->` comes their letter.",
  branches:
    "The alternatives of this line open too many branches: not all were checked (at most {most}). Split it into several lines.",
  "no-feed":
    "Nothing in this row comes at anybody: “{found}” is no attack, push or hold. Begin with what is thrown, such as `A jab -> B slip out`.",
  "no-play": "There is nothing to check yet. Write a first row, for example `A jab -> B slip out`.",
  "many-lines": "More than {found} lines stand on this row. Start a new row.",
  "many-turns": "This line goes back and forth more than {found} times. Put what follows on a row of its own.",
  "many-alternatives": "More than {found} alternatives stand here. Leave some out, or write them on rows of their own.",
  "many-beats": "More than {found} beats stand in one turn. Pass the initiative with `->`, or start a new row.",
  "many-parts": "More than {found} things are joined by `+` in one beat. Nobody can do that; put commas between them.",
  "many-words": "More than {found} words stand in one move. Put a sign between the moves: `,`, `+` or `->`.",
  "deep-block": "Blocks lie more than {found} deep here. Close one with `end`, or leave it out.",
  "note-open": "This note is not closed: it is read to the end of the row. Put a quotation mark behind its last word.",
  "note-long": "A note has at most {found} characters. Keep it to what is said on the floor.",
  "note-alone": 'A note belongs to a move. Write it behind the move it is about: `A jab -> B catch "elbow in"`.',
  "any-order-wrong": "How it goes wrong is shown once, with one number: take `in any order` out.",
  "any-order-twice": "Only one range of a line comes in any order. Write the other as `{#}`.",
  "lands-nothing": "Nothing in the first turn can land. Write what does: `lands: A rear sweep -> B get up, guard`.",
  "many-games": "More than {found} games stand in one drill. Put some in a drill of their own.",
  "game-inside": "The game “{found}” stands inside a block. Close the block first, with `end`.",
  "game-open": "The game “{found}” does not end. Write `end` below its last row.",
  "game-key-twice": "“{found}” stands twice in this game. Write it once.",
  "game-row":
    "A game has rows of its own: start, A may, B may, A scores, B scores, touch, ends, swap. Close it with `end` before other rows.",
  "form-name": "Say which form the next line is from: `form: NAME 12-14`.",
  budget:
    "This is more than can be checked at once: the rest, from here on, was not looked at. Split it into several drills.",
  unreadable: "This row could not be read.",
};

/** Faults of rows that may come at any time, by code. */
export const anyTimeWords: Record<string, string> = {
  many: "More than {most} things that may come at any time are too many to watch for. Take one out.",
  shape: "Write one feed and its answer: `any time: A lead hook -> B cover`.",
  nowhere: "There is no place in this section where it can come. Put it among the rows that it is to come in.",
  pads: "Nothing comes at any time while pads are held: whoever hits them looks at the pad. Take this row out of the section.",
  minor:
    "{actor} is a minor: nothing comes at their head at any time. Let it go to the body, on a pad, or take the row out.",
};

/** Messages about games, by code. */
export const gameWords: Record<string, string> = {
  key: "A game has no “{found}”. It has {known}.",
  "no-may": "Nobody knows what {actor} may do. Write for example `{actor} may: jab | cross`.",
  "no-touch": "Say how it touches, so that nobody is hit harder: `touch: to the glove`.",
  "no-ends": "Say when it is over: `ends: 3 points or 60 s`.",
  "may-turn": "Write what {actor} may do without letters and arrows: `{actor} may: jab | jab, cross`.",
  "may-nothing": "Write what {actor} may do: `{actor} may: jab | jab, cross`.",
  "many-options": "More than {most} options for {actor} are too many to keep in mind. Take some out.",
  touch: "“{found}” is no touch that we know. Known: {known}.",
  event: "“{found}” is nothing that scores here. Known: {known}.",
  points: "Say what scores and how much: `B scores: clean 1, stayed 1`.",
  start:
    "“{found}” is no start. Write what each does before it, and the distance: `start: A guard; B guard; range 1.6 m`.",
  "start-range": "“{found}” is no distance. Write {known}, or metres, such as `range 1.6 m`.",
  ends: "“{found}” is no end. Write points, seconds, feeds, or two of them: `ends: 3 points or 90 s`.",
  swap: "“{found}” is no change of roles. Write `at the end`, `every 8 feeds`, `every 45 s` or `never`.",
  hole: "{actor} has no answer to “{feed}”. Add one to what {actor} may do, or take “{feed}” out.",
  "no-player": "{actor} may do nothing here, so {actor} cannot score. Write what {actor} may do.",
  "no-scores": "{actor} cannot score: nobody likes to lose for the whole round. Write what scores for {actor}.",
  never: "“{event}” never comes about for {actor}: it needs {needs}.",
  head: "“{move}” goes to the head, and that never scores against {who}. Write `touch: to the glove`, or let it go lower.",
  "touch-weapon": "Stick on stick needs a stick in each hand that plays: write what they hold at the top.",
  "touch-pads": "A touch on a {touch} needs somebody who wears one: write it at the top, such as `B: wears mitts`.",
  "unfair-slower":
    "At {tempo}% {actor} can answer {answered} of the {of} things that may come. At {slower}% it is fair.",
  "unfair-two":
    "At {tempo}% {actor} can answer {answered} of the {of} things that may come. With two of them it is fair.",
  "unfair-nothing":
    "{actor} can answer {answered} of the {of} things that may come, at any tempo that is worth it. Start further apart, or give {actor} a nearer answer.",
};

/** Messages about header rows, by code. */
export const headerWords: Record<string, string> = {
  "header-key": "“{key}” is kept as a note; the checker does not use it.",
  "header-value": "“{value}” is not known here. Known: {known}.",
  "idle-rule": "“{key}” is about pushes, and {actor} pushes nobody here: it changes nothing.",
  "own-rule": "“{known}” is printed with the drill, and not judged.",
  tempo: "“{value}” is no tempo. Write a percentage of full speed from 5 to 150, such as `50%`.",
  range: "“{value}” is no distance. Write {known}, or metres between the two centres from 0.2 to 6, such as `1.4 m`.",
  "body-bounds":
    "“{known}” cannot be a body. Heights are in cm (90 to 230), reach is the arm span in cm (80 to 240), mass in kg (15 to 220).",
  held: "“{known}” cannot be held. Write `holds stick 71 cm`, `holds two sticks 66 cm`, `holds stick and training knife`, `holds training knife 28 cm` or `holds nothing`.",
  worn: "“{known}” cannot be worn. Known: mitts, gloves, eye protection, headgear, caged headgear, mouthguard, groin guard, shin guards, belly pad, kick shield, kick pads.",
  "not-held": "“{known}” is known, and not judged here. {instead}",
  "hold-and-wear": "Nobody can hold a weapon and wear {known} at once. Choose one of the two.",
  stance: `“{known}” is no stance that we know. Known: ${firstNames(STANCES)}.`,
  guard: `“{known}” is no guard that we know. Known: ${firstNames(GUARDS)}.`,
  person: "“{known}” says nothing about a person. Write for example `lead left, height 178, wears gloves`.",
};

/** Messages about moves that need another tool, by need. */
const needsWords: Record<string, string> = {
  empty: "{move} needs an empty hand; this one holds something. Use the other hand, or take another move.",
  hand: "The weapon is in the {side} hand: it cannot {move} with the other one.",
  gone: "{move} needs the weapon, and the partner has taken it. Use the empty hand, kick, or step away.",
  pad: "{move} needs pads; write what is worn in the header, such as `A: wears mitts`.",
  other: "{move} needs {needs} in the hand; write what is held in the header, such as `A: holds stick 71 cm`.",
};

/** A blow or hold that does not get there. */
export const outOfReach: Record<string, string> = {
  feed: "The {move} can’t land from here. Step closer: a feed that can’t land trains nothing.",
  "feed-stepped":
    "The {move} can’t land from here, even with the step. Start nearer: a feed that can’t land trains nothing.",
  return: "The {move} falls short. Step in with it: `step in + {move}`.",
  "return-stepped":
    "The {move} falls short, even with the step. Step in with the answer before it as well, or send something longer.",
  "hold-stepped": "Too far away for the {move}, even with the step. Start nearer, or take a part that is nearer.",
  hold: "Too far away for the {move}. Step in with it: `step in + {move}`.",
  high: "The {move} doesn’t get that high on this partner. Kick lower, or take a smaller partner.",
  behind: "{actor} is behind: no {move} gets there. Turn first (`turn out`), or use an elbow, a stomp or a back kick.",
};

/** Limbs that are asked for too much at once. */
export const busyWords: Record<string, string> = {
  limb: "The {limb} can’t do both at once: {first} and {second}. Put a comma between them, or use the other one.",
  weapon: "One weapon can’t do both at once: {first} and {second}. Put a comma between them, or use the free hand.",
  legs: "Both feet would leave the floor: {first} and {second}. Put a comma between them.",
  ways: "The {first} and the {second} undo each other. Write one, or put a comma between them.",
};

/** A pad that is not held as the blow needs it. */
export const padWords: Record<string, string> = {
  height: "The {move} goes {heights}, and the pad is held {height}. Hold it where the blow goes.",
  target: "The {move} lands {goes}, and the pad is {height}. Hold it where the blow goes.",
  facing: "For the {move} the pad looks {facing}. Turn it.",
  side: "Here the {pad} pad takes the {move}. The other one does as well, if both know it.",
};

/** What is not for minors. */
export const minorWords: Record<string, string> = {
  contact: "{actor} is a minor: {contact} contact is not for minors; keep it light.",
  head: "{actor} is a minor: nothing lands on the head. Write `contact: none`, or hit a mitt beside it.",
  body: "{actor} is a minor: body blows go onto a pad, or {actor} wears a belly pad.",
  hold: "{actor} is a minor: no {move}. Take {instead}.",
  mats: "{actor} is a minor: whatever ends on the floor is done on mats. Write `mats: yes` where they lie.",
};

/** Where somebody is open. */
export const openingWords: Record<string, string> = {
  guard: "{actor}’s guard is {guard}: the {part} is covered, the {open} open. Send the {move} there.",
  leans: "{actor} puts everything into the {move}: chin and ribs are open until they are back. Send something back.",
  turned: "{actor} puts everything into the {move}: until the foot is down they can’t answer. Send something back.",
};

/** What works only just, or only once. */
export const justEnough: Record<string, string> = {
  stick: "Only the body moves, and the stick comes back. Block, step off, or go in and jam.",
  blade: "Only the head moves, and the blade comes again. Leave with the feet, or control the arm.",
  shot: "Straight back they keep coming. Sprawl, or step off the line.",
  other: "Just enough: a taller partner gets hit, or a slower one. Move a little more.",
};

/** Messages about answers that leave the line open, by code. */
export const lineOpen: Record<string, string> = {
  stay: "Staying does nothing about the {feed}: it gets there. Answer it, or stand a step further away.",
  displace: "The {feed} still lands on the {zone}. {why}",
  cover: "The {feed} goes past the {answer}. {why}",
  deflect: "{whyText} The {feed} goes on to the {zone}.",
  deny: "The {answer} comes too late for that: they have the grip. Hips back, or sprawl earlier.",
  "both-legs": "The {answer} holds one arm, and the {feed} takes both legs. Sprawl, or put a post in.",
  energy: "The {answer} doesn’t take the push away. Turn, step, or give with the side that is pushed.",
  hold: "The {answer} leaves the {feed} as it is. Free what is held, go with it, or strike with what is free.",
  behind:
    "They are behind: the {answer} does nothing about the {feed}. Sink, get the hips in, turn out, or open the grip.",
  cycle: "The {answer} is no count of the {feed}. Both do the same cycle: write the same move for the partner.",
  approach: "The {answer} does nothing about somebody who walks in. Step off, meet them, or strike.",
  shot: "The {answer} does nothing against a shot, for which the hand on the floor stands. Sprawl, or put a post in.",
  other: "The {answer} doesn’t stop the {feed}.",
};

/** Messages about limbs and weapons that cannot stop a blow, by what it is. */
export const wrongMaterial: Record<string, string> = {
  arms: "It holds, but the arms take all of the kick. Lift the shin as well, or step.",
  shin: "One {limb} takes the shin of a kick: it stops it, but it hurts. Double the cover, or step in or away.",
  heel: "The {limb} stops no kick that comes straight: it goes through. Step off, or take the hips away.",
  edge: "The {limb} would meet the edge. Step in so that it meets the forearm, or step out of reach.",
  "fast end":
    "The {limb} would meet the fast end of the stick. Step in onto the forearm, block with a stick, or step out.",
  bone: "Bone against a weapon: take the leg away (`pull leg`, `leg lift`), or step out.",
  point: "The hand would stop the point. Turn it aside, or step off.",
  blade: "A short knife does not block a blade: pass it, or leave its reach.",
  other: "The {limb} cannot stop this weapon.",
};

/** Puts parameters into their places and begins with a capital letter. */
export function fill(text: string, params: Params): string {
  const filled = text.replace(/\{(\w+)\}/g, (_, key: string) => String(params[key] ?? "")).trim();
  return filled.charAt(0).toUpperCase() + filled.slice(1);
}

/** A move that contradicts itself, or what is held, in words. */
export function badMove(p: Params): string {
  if (p.code === "needs") return fill(needsWords[String(p.needs)] ?? needsWords.other!, p);
  if (p.code === "side")
    return fill("A {side} {move} contradicts itself: it belongs to the other side. Take “{side}” out.", p);
  if (p.code === "contradicts")
    return fill("“{one}” and “{two}” contradict each other: write one of them with {move}.", p);
  if (p.code === "height") return fill("{move} does not go {height}. It goes {heights}.", p);
  if (p.code === "number")
    return p.number === ""
      ? fill(
          "Say which one: `{move} 3` (the set “{set}” has 1 to {most}), or how it goes: `forehand`, `backhand`, `overhead` or `thrust`.",
          p,
        )
      : fill("The set “{set}” has no number {number}. It has 1 to {most}.", p);
  if (p.code === "no-feint")
    return fill(
      "Nobody shows a feint that this falls for. Take the ~ away from {move}, or write `~` before the blow that is only shown.",
      p,
    );
  return fill("{move} contradicts itself here.", p);
}
