/** Drawing, findings, conflicts and revisions as the server writes them. */
import { repairsOf } from "#core/answers/repairs.ts";
import { findingKey } from "#core/findings/finding-key.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { checkFor } from "#core/policy/judge.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { describe as words } from "../drawing/crossing-parts.tsx";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { ConflictView, TextDiff } from "./conflict.tsx";
import { AnswerList } from "./answer-list.tsx";
import { Findings } from "./findings.tsx";
import { RevisionsScreen } from "./revisions-screen.tsx";
import { html, text } from "../ui/testing.tsx";

describe("desk", () => {
  const TEXT = "A jab -> B slip in, cross\nA lead hook -> B slip out";
  const view = scoreView(checkFor(parse(TEXT)));
  const noop = () => undefined;
  test("each crossing of the drawing says what it is", () => {
    const markup = html(<ScoreDrawing view={view} cursor={null} />);
    expect(markup).toMatch(/aria-label="1. A jab, answered by B slip in: risky, 5.5 cm to spare"/);
    expect(markup).toMatch(/aria-label="2. A lead hook, answered by B slip out: broken, 9 cm short"/);
    expect(markup).toMatch(/B returns cross/);
  });
  test("an unanswered feed is said so", () => {
    expect(words(scoreView(checkFor(parse("A jab"))).exchanges[0]!)).toBe("1. A jab: no answer");
  });
  test("findings come worst first, with repairs", () => {
    const mended = repairsOf(
      TEXT,
      checkFor(parse(TEXT)),
      view.findings.find((f) => f.line === 2)!,
      defaultSchool(),
    );
    const repairs = { [findingKey(view.findings.find((f) => f.line === 2)!)]: mended };
    const page = text(
      <Findings view={view} repairs={repairs} text={TEXT} cursor={null} onPick={noop} onRepair={noop} />,
    );
    expect(page).toMatch(/2 problems/);
    expect(page.indexOf("Exchange 2")).toBeLessThan(page.indexOf("Exchange 1"));
    expect(page).toMatch(/Answer with weave/);
  });
  test("what is said of several rows is said once, with its rows", () => {
    const twice = scoreView(checkFor(parse("A jab -> B slip in\nA cross -> B slip out\nA jab -> B slip in")));
    const page = text(<Findings view={twice} repairs={{}} text="" cursor={null} onPick={noop} onRepair={noop} />);
    expect(page).toMatch(/2 problems/);
    expect(page).toMatch(/Exchange 1 .*The same in exchange 3/);
    expect(page.match(/This ends inside/g)).toHaveLength(1);
  });
  test("at the cursor stand the numbers that the verdict rests on", () => {
    const page = text(<Findings view={view} repairs={{}} text={TEXT} cursor={4} onPick={noop} onRepair={noop} />);
    expect(page).toMatch(/risky 5\.5 cm to spare/);
    expect(page).toMatch(/feed 450 ms, answer 180 ms, reaction 190 ms/);
    expect(page).toMatch(/Ends inside/);
    expect(page).toMatch(/Other answers/);
  });
  test("what all answers leave open is said once", () => {
    const answer = (text: string, open: readonly string[]) => ({
      text,
      group: "in one go",
      hand: "none" as const,
      traditions: [],
      verdict: "valid" as const,
      shown: "valid" as const,
      marginCm: 5,
      ceiling: 1,
      open,
    });
    const page = text(
      <AnswerList answers={[answer("catch", ["push kick"]), answer("parry", ["push kick", "jab"])]} onPut={noop} />,
    );
    expect(page).toMatch(/All leave push kick open\./);
    expect(page).toMatch(/catch.*leaves no more open.*parry.*open to jab/);
  });
  test("notes are no problems, and only a drill that holds is tried for what gets through", () => {
    const panel = (score: string) =>
      text(
        <Findings
          view={scoreView(checkFor(parse(score)))}
          repairs={{}}
          text=""
          cursor={null}
          onPick={noop}
          onRepair={noop}
        />,
      );
    expect(panel("A cross -> B duck")).toMatch(/No problems .*What gets through\?.* 1 note Exchange 1 /);
    expect(panel("A lead hook -> B slip out")).not.toMatch(/What gets through/);
    // The header has no exchange: its place is the line of the text.
    expect(panel("tempo: fast\n\nA jab -> B slip out")).toMatch(/Line 1 /);
  });
  test("a sound drill says so and defers to the instructor", () => {
    const sound = scoreView(checkFor(parse("A jab -> B slip out")));
    expect(text(<Findings view={sound} repairs={{}} text="" cursor={null} onPick={noop} onRepair={noop} />)).toMatch(
      /No problems.*local rules decide/,
    );
  });
  test("a conflict shows both texts and the ways out", () => {
    const page = text(
      <ConflictView
        mine={"one\nmine\n"}
        theirs={{ text: "one\ntheirs\n", author: "Maren", version: 4 }}
        onKeepMine={noop}
        onTakeTheirs={noop}
        copy={null}
      />,
    );
    expect(page).toMatch(/Maren saved revision 4/);
    expect(page).toMatch(/− theirs/);
    expect(page).toMatch(/\+ mine/);
    expect(page).toMatch(/Keep mine on top.*Take theirs/);
  });
  test("differences are told by signs, not by colour alone", () => {
    expect(text(<TextDiff before={"a\nb\n"} after={"a\nc\n"} beforeName="old" afterName="new" />)).toMatch(
      /a − b old \+ c new/,
    );
  });
  test("revisions can be gone back to, but not the newest", () => {
    const rows = [2, 1].map((number) => ({
      number,
      text: `v${number}`,
      verdict: "sound" as const,
      author: "Maren",
      at: "2026-11-02T10:00:00Z",
      auto: number === 2,
    }));
    const page = text(<RevisionsScreen id="x" title="Quay" version={2} revisions={rows} />);
    expect(page.match(/Go back to this/g)).toHaveLength(1);
    expect(page).toMatch(/saved by itself/);
  });
});
