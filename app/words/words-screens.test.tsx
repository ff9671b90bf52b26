/** A school’s stages and weights in words. */
import { StageOrder } from "./stage-order.tsx";
import { Weights } from "./weights.tsx";
import { text } from "../ui/testing.tsx";

test("the school’s order of stages and its weights are said in words", () => {
  const stages = text(<StageOrder stages={["parts", "tempo", "force"]} onChange={() => undefined} />);
  expect(stages).toMatch(/1 The parts alone 2 Tempo 3 Force/);
  expect(text(<Weights load={{ choice: 3 }} onChange={() => undefined} />)).toMatch(
    /Back to the default .*choice each bit of what may come 3\.0/,
  );
});
