/** Games with a hole or a fault, in core/drill/games.txt: what is wrong is mended with one press, checked to hold. */
import { readFileSync } from "node:fs";
import { writtenGames } from "../drill/games-testing.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { repairsOf } from "./repairs.ts";

const school = defaultSchool();
const faulty = writtenGames(readFileSync("core/drill/games.txt", "utf8")).filter(({ verdict }) => verdict !== "sound");
const grave = (text: string) => checkFor(parse(text), school).findings.filter(({ severity }) => severity !== "note");

test("there are ten and more", () => {
  expect(faulty.length).toBeGreaterThanOrEqual(10);
});

test.each(faulty.map(({ name, text }) => [name, text] as const))("%s is mended press by press", (_, text) => {
  let now = text;
  for (let presses = 0; grave(now).length > 0 && presses < 4; presses++) {
    const checked = checkFor(parse(now), school);
    const [repair] = grave(now).flatMap((finding) => repairsOf(now, checked, finding, school));
    expect(repair).toBeDefined();
    now = repair!.score;
  }
  expect(grave(now).map(({ message }) => message)).toEqual([]);
});

test("an answer is added behind what somebody may do already", () => {
  const { text } = faulty.find(({ name }) => name === "No way")!;
  const checked = checkFor(parse(text), school);
  const offered = grave(text).flatMap((finding) => repairsOf(text, checked, finding, school));
  expect(offered.map(({ label }) => label)).toContain("B may also cover");
  expect(offered.find(({ label }) => label === "B may also cover")!.score).toContain("B may: catch | cover\n");
});
