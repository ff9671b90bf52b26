import { check } from "./check.ts";
import { drillCautions } from "../class/drill-cautions.ts";
import { parse } from "../score/parse.ts";
import { shownOf, shownOfAll } from "./shown.ts";
import { summaryOf, summaryWords } from "../formats/summary.ts";

const run = (text: string) => check(parse(text));
const KNIFE = "A: holds training knife 28 cm\n";

test("with bare hands against a blade nothing is called sound, whatever is done", () => {
  const bare = run(`${KNIFE}\nA thrust -> B step back`);
  expect(bare.exchanges.map(shownOf)).toEqual(["asDrill"]);
  expect(shownOfAll(bare)).toBe("asDrill");
  expect(summaryWords(summaryOf(bare))).toMatch(/^Holds as a drill\./);
  expect(drillCautions(bare).map(({ says }) => says)).toContain(
    "Blunt training blades only, never a live edge. Holds as a drill. With a live blade: leave; you will be cut.",
  );
});

test("what is wrong or risky says so, and a knife against a knife is judged as it is", () => {
  expect(shownOfAll(run(`${KNIFE}\nA thrust -> B catch`))).toBe("broken");
  expect(shownOfAll(run(`${KNIFE}\nA thrust -> B step off + pass`))).toBe("risky");
  const both = run(`${KNIFE}B: holds training knife 28 cm\n\nA slash forehand high -> B step back`);
  expect(shownOfAll(both)).toBe("sound");
  expect(drillCautions(both).some(({ says }) => says.includes("you will be cut"))).toBe(false);
});
