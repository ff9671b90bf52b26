import { readSchool } from "#core/policy/school.ts";
import { shippedMoves } from "#core/words/shipped.ts";
import { moveCards, tryData } from "./words-work.ts";

const school = (settings: object) => {
  const result = readSchool(settings);
  if (!result.ok) throw new Error(result.errors.join());
  return result.school;
};
const slip = shippedMoves.find((m) => m.id === "slip")!;

test("cards are shown in the words of the school, own moves first", () => {
  const own = { ...slip, id: "own-reed", names: { english: ["reed bend"] } };
  const cards = moveCards(school({ moves: [own], customs: { names: "cantonese" } }));
  expect(cards[0]).toMatchObject({ id: "own-reed", own: true, shown: "reed bend" });
  expect(cards.find((c) => c.id === "slap-parry")).toMatchObject({ shown: "pak sao", own: false });
  expect(cards.find((c) => c.id === "slap-parry")!.data).not.toHaveProperty("own");
});
test("a move that is wrong says so in words, one that is right says what it does", () => {
  const wrong = tryData({ ...slip, coaching: [] }, {});
  expect(wrong.ok ? [] : wrong.errors.join()).toMatch(/coaching/);
  const right = tryData(slip, {});
  expect(right.ok && right.trial.answers.length).toBeGreaterThan(10);
});
test("the fist of a hook is coached as the school has it", () => {
  const hook = shippedMoves.find((m) => m.id === "hook")!;
  const fist = (settings: object) => {
    const view = tryData(hook, settings);
    return view.ok ? view.facts.find((f) => f.name === "Fist")?.value : "";
  };
  expect(fist({})).toMatch(/upright/);
  expect(fist({ customs: { hookFist: "flat" } })).toMatch(/flat/);
});
