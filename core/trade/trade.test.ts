/** The data of the trade: whole, in words that are moves, and open to a school's own. */
import data from "./trade.json" with { type: "json" };
import { fromOtherSide, TRADE, tradeSchema, withOwn } from "./trade.ts";
import { rankAnswers } from "../answers/answers.ts";
import { readAnswer, readFed } from "../drill/single.ts";
import { readSchool } from "../policy/school.ts";
import { shippedUsage } from "../customs/customs.ts";
import { shippedVocabulary } from "../words/vocabulary.ts";

const usage = shippedUsage();

test("the file has the shape that it says", () => {
  expect(() => tradeSchema.validateSync(data, { strict: true, abortEarly: false })).not.toThrow();
  expect(() => tradeSchema.validateSync({ ...data, extra: 1 }, { strict: true })).toThrow(/extra/);
});

test("everything in it can be read in some frame of the school", () => {
  const frames = [[], ["A: holds stick 71 cm", "B: holds stick 71 cm"], ["A: holds training knife 28 cm"]];
  const feeds = frames.flatMap(
    (head) => readFed(head, `A ${TRADE.samples[head.length > 1 ? "stick" : "hands"]}`, usage) ?? [],
  );
  const sensitivity = readFed(["kind: sensitivity"], `A ${TRADE.samples.push}`, usage)!;
  const all = [
    ...TRADE.book.answers,
    ...TRADE.defences,
    ...TRADE.exits.map((exit) => exit.text),
    ...TRADE.waysBack,
    ...TRADE.cycleMoves,
    ...Object.values(TRADE.companions),
    ...Object.values(TRADE.entry),
    TRADE.changeHands,
    TRADE.lastResort,
  ];
  const unread = all.filter((text) => [...feeds, sensitivity].every((fed) => readAnswer(fed, text) === null));
  expect(unread).toEqual([]);
  const blows = [
    ...TRADE.book.feeds,
    ...TRADE.returns,
    ...TRADE.finishes.hands,
    ...TRADE.finishes.legs,
    ...TRADE.strokes,
    ...Object.values(TRADE.openings),
    ...Object.values(TRADE.lures),
  ];
  expect(blows.filter((text) => frames.every((head) => readFed(head, `A ${text}`, usage) === null))).toEqual([]);
  expect([...shippedVocabulary().moves.keys()]).toContain(TRADE.ownMoveStart);
});

test("a stroke from the other side keeps its height", () => {
  expect(fromOtherSide("forehand high")).toBe("backhand high");
  expect(fromOtherSide("slash backhand low")).toBe("slash forehand low");
  expect(fromOtherSide("overhead")).toBeNull();
});

const OWN = {
  id: "harbour-cover",
  names: { english: ["harbour cover"] },
  like: "high-cover",
  group: "hand defence",
  roles: ["answer"],
  limb: "incoming hand",
  sides: "cover",
  move: 120,
  answer: [{ by: "interpose", limb: "forearm", depth: 0.2, stands: "incoming", segments: [[0.09, 0.65, 0.079, 0.97]] }],
  coaching: ["Elbow in.", "Look past it."],
  faults: ["Too low."],
};

test("an own move takes part where the trade names the one it is like", () => {
  const model = [...shippedVocabulary().moves.values()].find((move) =>
    Object.values(move.names).flat().includes("cover"),
  )!;
  const read = readSchool({ moves: [{ ...OWN, like: model.id }] });
  if (!read.ok) throw new Error(read.errors.join());
  const { vocabulary } = read.school;
  expect(withOwn(["jab", "cover", "double cover"], vocabulary)).toEqual(
    expect.arrayContaining(["jab", "cover", "harbour cover", "double cover"]),
  );
  expect(withOwn(TRADE.defences, vocabulary)).toContain("harbour cover");
  expect(withOwn(TRADE.defences, shippedVocabulary())).toBe(TRADE.defences);
  const worth = (like: string | undefined) => {
    const school = readSchool({ moves: [{ ...OWN, like }] });
    if (!school.ok) throw new Error(school.errors.join());
    return rankAnswers([], "A lead hook", school.school, 200).find((a) => a.text === "harbour cover")!.worth;
  };
  expect(worth(model.id)).toBeGreaterThan(worth(undefined));
});
