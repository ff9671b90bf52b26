/** What a link shows to whoever has it. */
import { page as plan } from "#app/class/testing.ts";
import { drillBody, ladderBody } from "./drill-page.ts";
import { overPage, phonePage } from "./page.ts";

const shows = (who: string) => ({ who, names: true, wall: false });

const words = (html: string) =>
  html
    .replace(/<style.*?<\/style>/s, "")
    .replace(/<[^>]+>/g, " ")
    .replace(/\s+/g, " ");

test("rounds by first names, a letter more where two are called so; no surname, no measure, no limit", () => {
  const said = words(phonePage(plan, shows(""), "n"));
  expect(said).toMatch(/Round 1/);
  expect(said).toMatch(/A Edda V\. .* B Odo/);
  expect(said).not.toMatch(/Vire|Tarn|shoulder|cm\b|kg\b/);
});
test("one person's rounds say what is done and what to think of", () => {
  const said = words(phonePage(plan, shows("p1"), "n"));
  expect(said).toMatch(/A: jab\. B: catch\..*Palm to the cheek/);
  expect(said).not.toMatch(/A Liv.*B Edda A\./);
});
test("nothing that somebody typed becomes markup", () => {
  const hostile = '<img src=x onerror="alert(1)">';
  const html = phonePage(
    {
      ...plan,
      lesson: { ...plan.lesson, title: hostile },
      names: Object.fromEntries(Object.keys(plan.names).map((id) => [id, `${hostile} Amsel`])),
      people: plan.people.map((person) => ({ ...person, name: `${hostile} Amsel` })),
      rungs: plan.rungs.map((rung) => ({ ...rung, title: hostile })),
      words: plan.words.map((one) => ({ ...one, cues: [hostile], play: [{ text: hostile, depth: 0 }] })),
    },
    shows(`"><script>`),
    "n",
  );
  expect(html).not.toMatch(/<img|<script/);
  expect(html).toContain("&lt;img");
});
test("without names there are pairs by their numbers, and nobody to choose", () => {
  const said = words(phonePage(plan, { who: "p1", names: false, wall: true }, "n"));
  expect(said).toMatch(/Pair 1 ?:/);
  expect(said).not.toMatch(/Edda|Odo|Liv/);
});
test("a drill to read has what is played, the score and the cautions; as a card it has no score", () => {
  const hostile = `<img src=x> & "q"`;
  const rung = { title: hostile, text: `title: ${hostile}`, changed: hostile, words: plan.words[0]!, isBroken: false };
  const html = drillBody(rung, hostile, "drill");
  expect(html).not.toContain("<img");
  expect(words(html)).toMatch(/A: jab\. B: catch\..*The score.*anybody may say it/s);
  expect(words(drillBody(rung, "Club", "card"))).not.toContain("The score");
  expect(words(drillBody({ ...rung, isBroken: true }, "Club", "card"))).toMatch(/not finished.*A: jab/s);
  expect(words(drillBody(rung, "Club", "card"))).not.toMatch(/not finished/);
  expect(words(ladderBody("Up", "Club", [rung, rung]))).toMatch(/1\. .*2\. /s);
});
test("without a plan, and where the link is over, it says so", () => {
  expect(phonePage({ ...plan, kept: null }, shows(""), "n")).toContain("There is no plan for this class yet.");
  expect(overPage("n")).toContain("Ask your instructor for a new one.");
});
