/**
 * The answers to twenty-odd feeds, read as an instructor would: what the trade answers with must be
 * there, what it never would must not. Common practice, no source.
 */
import { rankAnswers } from "./answers.ts";
import { defaultSchool } from "../policy/school.ts";

interface Reading {
  readonly feed: string;
  readonly header?: readonly string[];
  readonly there: readonly string[];
  readonly never: readonly string[];
}
const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];
const BARE = ["A: holds stick 71 cm", "B: holds nothing"];
const KNIFE = ["A: holds training knife 28 cm", "B: holds nothing"];
const TOUCH = ["kind: sensitivity"];

const READINGS: readonly Reading[] = [
  {
    feed: "A jab",
    there: ["slip out", "slap parry", "parry", "catch", "step back", "lean back"],
    never: ["cover", "elbow drop", "shin check", "pull leg", "sprawl", "low parry", "hollow"],
  },
  {
    feed: "A cross",
    there: ["slip out", "parry", "catch", "shoulder roll", "step off"],
    never: ["cover", "elbow drop", "low parry", "shin check", "hollow"],
  },
  {
    feed: "A cross to body",
    there: ["low parry", "step back", "step off"],
    never: ["slip out", "slip in", "lean back", "cover", "duck", "catch the leg"],
  },
  {
    feed: "A lead hook",
    there: ["cover", "double cover", "weave", "duck", "step back", "lean back"],
    never: ["slip out", "slip in", "slap parry", "parry", "catch", "step off", "elbow drop"],
  },
  {
    feed: "A rear hook",
    there: ["cover", "weave", "duck", "lean back"],
    never: ["slip out", "slip in", "parry", "outward parry", "catch"],
  },
  {
    feed: "A lead hook to body",
    there: ["elbow drop", "step back"],
    never: ["cover", "slip out", "duck", "weave", "lean back", "catch"],
  },
  {
    feed: "A rear uppercut",
    there: ["lean back", "step back", "catch"],
    never: ["duck", "weave under", "cover", "elbow drop", "slap parry"],
  },
  {
    feed: "A overhand",
    there: ["cover", "weave", "step back"],
    never: ["slip out", "slap parry", "elbow drop", "shin check"],
  },
  {
    feed: "A hammerfist",
    there: ["rising block", "step back", "step off"],
    never: ["duck", "shoulder roll", "cover", "elbow drop"],
  },
  {
    feed: "A backfist",
    there: ["cover", "duck", "step back"],
    never: ["slip in", "slap parry", "elbow drop"],
  },
  {
    feed: "A elbow",
    there: ["cover", "duck", "step back"],
    never: ["slap parry", "elbow drop", "low parry"],
  },
  {
    feed: "A push kick",
    there: ["step off", "step back", "low parry", "scoop", "hollow"],
    never: ["cover", "slip out", "lean back", "shin check", "duck"],
  },
  {
    feed: "A rear round kick to leg",
    there: ["shin check", "pull leg", "leg lift", "step back"],
    never: ["cover", "slip out", "duck", "lean back", "elbow drop", "sprawl"],
  },
  {
    feed: "A rear round kick to body",
    there: ["step back", "leg catch", "shin check"],
    never: ["cover", "slip out", "duck", "lean back", "slap parry"],
  },
  {
    feed: "A rear round kick to head",
    there: ["double cover", "duck", "lean back", "step back"],
    never: ["slip out", "slip in", "slap parry", "elbow drop", "shin check"],
  },
  {
    feed: "A knee",
    there: ["hollow", "step back"],
    never: ["slip out", "duck", "cover", "lean back"],
  },
  {
    feed: "A double leg",
    there: ["sprawl", "level change + post", "frame"],
    never: ["cover", "slip out", "parry", "duck", "catch", "shin check"],
  },
  {
    feed: "A ankle pick",
    there: ["pull leg", "sprawl", "step back"],
    never: ["cover", "slip out", "duck", "parry"],
  },
  {
    feed: "A forehand high",
    header: STICKS,
    there: ["block high", "braced block high", "slant block", "step back", "duck"],
    never: ["block low", "low sweep", "cover", "slap parry", "shin check"],
  },
  {
    feed: "A backhand low",
    header: STICKS,
    there: ["block low", "low sweep", "step back"],
    never: ["block high", "roof block", "duck", "shin check", "lean back"],
  },
  {
    feed: "A overhead",
    header: STICKS,
    there: ["roof block", "step off", "step back"],
    never: ["duck", "block high", "low sweep", "cover"],
  },
  {
    feed: "A thrust mid",
    header: STICKS,
    there: ["parry stick", "step off", "step back"],
    never: ["block mid", "roof block", "slip out", "catch"],
  },
  {
    feed: "A forehand high",
    header: BARE,
    there: ["step in + jam", "step back", "duck"],
    never: ["cover", "double cover", "outer block", "block high", "slap parry"],
  },
  {
    feed: "A slash forehand high",
    header: KNIFE,
    there: ["step back", "step in + jam"],
    never: ["cover", "outer block", "catch", "elbow drop", "slap parry"],
  },
  {
    feed: "A thrust mid",
    header: KNIFE,
    there: ["step off", "step back", "step off + outside pass"],
    never: ["catch", "elbow drop", "slip out", "cover"],
  },
  {
    feed: "A push to right chest",
    header: TOUCH,
    there: ["turn", "sink", "fold", "step back"],
    never: ["brace", "cover", "shin check"],
  },
  {
    feed: "A pull on lead wrist",
    header: TOUCH,
    there: ["follow", "circle off"],
    never: ["brace", "step back", "cover"],
  },
  {
    feed: "A release",
    header: TOUCH,
    there: ["shooting hand", "follow"],
    never: ["step back", "cover"],
  },
];

for (const { feed, header = [], there, never } of READINGS) {
  describe(`${feed}${header.length > 0 ? ` (${header.join("; ")})` : ""}`, () => {
    const answers = rankAnswers(header, feed, defaultSchool(), 200);
    const names = answers.map((a) => a.text);
    test("what the trade answers with is there", () => {
      expect(there.filter((name) => !names.includes(name))).toEqual([]);
    });
    test("what does not work is not", () => {
      expect(never.filter((name) => names.includes(name))).toEqual([]);
    });
    test("each says by how much and up to which tempo", () => {
      for (const a of answers) {
        expect(a.exchange.margin).toBeGreaterThanOrEqual(0);
        expect(a.exchange.ceiling).toBeGreaterThanOrEqual(0);
      }
    });
  });
}
