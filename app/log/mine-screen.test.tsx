/** What a student sees first of their own evening. */
import type { OwnRound } from "#server/classes/handed-over.ts";
import { text } from "../ui/testing.tsx";
import { MineScreen } from "./mine-screen.tsx";

const round = (number: number, more: Partial<OwnRound> = {}): OwnRound => ({
  round: number,
  done: false,
  whom: "A Edda, B Odo",
  noContact: false,
  what: [{ title: "Jab, catch", text: "", play: ["A: jab. B: catch."], cues: [] }],
  ...more,
});
const said = (rounds: readonly OwnRound[]) =>
  text(<MineScreen id="p" name="Edda" lesson={{ title: "Thursday", held_on: "2026-03-05", rounds }} drills={[]} />);

test("the next round comes first, and what is done is folded behind", () => {
  const page = said([round(1, { done: true }), round(2), round(3)]);
  expect(page).toMatch(/Next: Round 2 : A Edda, B Odo .*Round 3 : .*1 round done Round 1/);
});

test("whoever has to stop short is told so on their own page", () => {
  expect(said([round(1, { noContact: true })])).toMatch(/Round 1 : .* No contact: stop short\. .*jab/);
  expect(said([round(1)])).not.toMatch(/stop short/);
});

test("when all is done it stands open, and nothing is next", () => {
  const page = said([round(1, { done: true })]);
  expect(page).toMatch(/1 round done Round 1/);
  expect(page).not.toMatch(/Next:/);
});
