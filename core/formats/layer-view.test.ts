import { check } from "../drill/check.ts";
import { parse } from "../score/parse.ts";
import { layerViews } from "./layer-view.ts";

const parts = (text: string) =>
  layerViews(check(parse(text)).exchanges[0]!).map(({ layer, part }) => `${layer.use.text}: ${part}`);

const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";

// Common practice, no source: what saves somebody, and what is only done beside it.
test.each([
  ["A jab -> B slip out + long guard + cover rear", ["slip out: works", "long guard: works", "cover rear: idle"]],
  [`${STICKS}A forehand high -> B step off + block left high`, ["step off: goes along", "block left high: works"]],
  ["A double leg -> B level change + post", ["level change: goes along", "post: works"]],
  ["A jab -> B double cover", ["double cover: works"]],
  ["A jab -> B cover", ["cover: fails"]],
])("%j", (text, shown) => {
  expect(parts(text)).toEqual(shown);
});

test("only what fails with nothing beside it has a figure below nothing", () => {
  for (const text of ["A jab -> B slip out + cover", "A lead hook -> B duck + cover", "A jab -> B cover"]) {
    const views = layerViews(check(parse(text)).exchanges[0]!);
    for (const { part, marginCm } of views)
      expect([text, part, (marginCm ?? 0) < 0]).toEqual([text, part, part === "fails"]);
  }
});
