/** A class and its card as the server writes them. */
import { CardScreen } from "./card-screen.tsx";
import { ClassScreen } from "./class-screen.tsx";
import { text } from "../ui/testing.tsx";

describe("class and card", () => {
  const lesson = { id: "c", title: "Tonight", version: 1, held_on: "2026-11-25", minutes: 90 };
  const names = [
    { actor: "A" as const, id: "a", name: "Edda", age: "adult" as const, limits: ["no falls"] },
    { actor: "B" as const, id: "b", name: "Odo", age: "adult" as const, limits: [] },
  ];
  const pair = {
    id: "p",
    names,
    why: "first time together",
    drillId: "d",
    revisionId: "r",
    title: "Quay",
    text: "title: Quay\ntempo: 50%\n\n# secret\nA jab -> B catch\n",
    verdict: "sound" as const,
    distance: 1.17,
    notes: [],
    taps: false,
  };
  test("a class without pairs says what to do", () => {
    expect(
      text(
        <ClassScreen
          lesson={lesson}
          students={[]}
          present={[]}
          not={{}}
          pairs={[]}
          drills={[]}
          gear={[]}
          planned={null}
        />,
      ),
    ).toMatch(/The school has no people yet.*Tick who is here/);
  });
  test("pairs are shown with the reason, the limits and the distance", () => {
    const page = text(
      <ClassScreen
        lesson={lesson}
        students={[]}
        present={[]}
        not={{}}
        pairs={[pair]}
        drills={[]}
        gear={[{ kind: "mitts", count: 3 }]}
        planned={null}
      />,
    );
    expect(page).toMatch(/Edda no falls.*Odo.*first time together.*1\.17 m apart/);
  });
  test("a planned evening shows its plan in place of a single round", () => {
    const page = text(
      <ClassScreen
        lesson={lesson}
        students={[]}
        present={[]}
        not={{}}
        pairs={[pair]}
        drills={[]}
        gear={[]}
        planned={12}
      />,
    );
    expect(page).toMatch(/The evening is planned: 12 rounds.*Delete the plan/);
    expect(page).not.toMatch(/Pair them|Edda/);
  });
  test("the card has names, play and safety, no header and no remarks", () => {
    const page = text(<CardScreen lesson={lesson} school="Ropewalk" pairs={[pair]} />);
    expect(page).toMatch(/A Edda · B Odo/);
    expect(page).toMatch(/A jab -> B catch/);
    expect(page).toMatch(/“Stop” ends everything/);
    expect(page).not.toMatch(/secret|tempo:/);
  });
  test("an empty card says why", () => {
    expect(text(<CardScreen lesson={lesson} school="Ropewalk" pairs={[]} />)).toMatch(/Nobody is paired yet/);
  });
});
