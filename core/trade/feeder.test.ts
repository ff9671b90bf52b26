import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { NEXT_FEEDS, nextFeeds, thrownIn, type Before } from "./feeder.ts";

const school = defaultSchool();
const checked = (text: string) => checkFor(parse(text), school);
const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";
const KNIFE = "A: holds training knife 28 cm\n\n";

/** A header under which a list can be thrown. */
const headerOf = (before: Before): string =>
  before.startsWith("stick") ? STICKS : before.startsWith("blade") ? KNIFE : "";

test.each(Object.entries(NEXT_FEEDS))("all that may follow %s is a move", (before, feeds) => {
  const text = headerOf(before as Before) + feeds.map((feed) => `A ${feed} -> B step back`).join("\n");
  const rules = checked(text).findings.map(({ rule }) => rule);
  for (const rule of ["syntax", "unknown-move", "bad-move", "wrong-material"]) expect(rules).not.toContain(rule);
});

test.each<[string, Before]>([
  ["A jab -> B catch", "lead hand"],
  ["A cross -> B catch", "rear hand"],
  ["A: lead right\n\nA L cross -> B catch", "rear hand"],
  ["A inside leg kick -> B pull leg", "lead leg"],
  ["A rear round kick to leg -> B shin check", "rear leg"],
  [`${STICKS}A forehand high -> B block left high`, "stick forehand"],
  [`${STICKS}A backhand low -> B low sweep`, "stick backhand"],
  [`${STICKS}A overhead -> B roof block`, "stick forehand"],
  [`${STICKS}A thrust high -> B block left high`, "stick straight"],
  [`${KNIFE}A thrust mid -> B step off + outside pass`, "blade straight"],
  [`${KNIFE}A slash backhand high -> B step back`, "blade backhand"],
  ["A double leg -> B sprawl", "takedown"],
  ["kind: sensitivity\n\nA push to centre -> B sink", "push"],
  ["kind: sensitivity\n\nloop x2:\n  A roll 1 <> B roll\n  A roll 2 <> B roll 2\nend", "cycle"],
  ["A collar grab -> B frame", "hold"],
])("%s is followed as %s", (text, before) => {
  expect(thrownIn(checked(text).exchanges[0]!)).toBe(before);
});

test("nothing from another art, then what the drill itself feeds", () => {
  const hands = nextFeeds("lead hand", checked("A jab -> B catch\nA overhand -> B cover"), school.vocabulary);
  expect(hands.join()).not.toMatch(/kick|leg/);
  expect(hands.at(-1)).toBe("overhand");
  const kicks = checked("range: kick\n\nA jab -> B catch\nA rear round kick to leg -> B shin check");
  expect(nextFeeds("lead hand", kicks, school.vocabulary)).toContain("rear round kick to leg");
});
