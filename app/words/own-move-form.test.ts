import { readMoves } from "#core/words/schema.ts";
import { shippedMoves } from "#core/words/shipped.ts";
import { formLike, formOf, leavesOf, moveOf, takeFrom, withLeaf } from "./own-move-form.ts";

const move = (id: string) => shippedMoves.find((m) => m.id === id)!;

test("every shipped move goes through the form and comes back as it was", () => {
  let kept = 0;
  for (const data of shippedMoves.filter((m) => !m.numbered)) {
    expect(moveOf(formOf(data))).toEqual(data);
    kept++;
  }
  expect(kept).toBeGreaterThan(150);
});
test("a move like another has a name and an id of its own and passes the schema", () => {
  const made = moveOf(formLike(move("slip"), "Reed Bend"));
  expect(made).toMatchObject({ id: "own-reed-bend", names: { english: ["Reed Bend"] } });
  expect(readMoves("own", { moves: [made] }).ok).toBe(true);
  const nameless = readMoves("own", { moves: [moveOf(formLike(move("slip"), " "))] });
  expect(nameless.ok ? [] : nameless.errors.join()).toMatch(/English name/);
});
test("numbers are shown with their meaning and unit, and changed one by one", () => {
  const { body } = formOf(move("slip"));
  const leaves = leavesOf(body);
  const head = leaves.find((l) => l.label === "Aside, m, head")!;
  expect(head.value).toBe(0.18);
  const next = withLeaf(body, head.path, 0.3);
  expect(leavesOf(next).find((l) => l.label === "Aside, m, head")!.value).toBe(0.3);
  expect(leavesOf(body).find((l) => l.label === "Aside, m, head")!.value).toBe(0.18);
  const box = leavesOf(formOf(move("slap-parry")).body).filter((l) => l.label.startsWith("Where"));
  expect(box.map((l) => l.label.split(", ").at(-1))).toEqual([
    "from the side",
    "to the side",
    "from height",
    "to height",
  ]);
});
test("words come with the words that are allowed", () => {
  const path = leavesOf(formOf(move("jab")).body).find((l) => l.label === "Path")!;
  expect(path.options).toContain("arc");
  for (const data of shippedMoves)
    for (const leaf of leavesOf(formOf(data).body))
      if (typeof leaf.value === "string")
        expect([data.id, leaf.label, leaf.options?.includes(leaf.value)]).toEqual([data.id, leaf.label, true]);
});
test("a blow and an answer can be taken from different moves", () => {
  const both = takeFrom(takeFrom(formOf(move("jab")).body, "answer", move("slip")), "attack", move("cross"));
  expect(both).toMatchObject({ attack: move("cross").attack, answer: move("slip").answer, move: 180 });
  expect(takeFrom(both, "answer", null)).not.toHaveProperty("answer");
  expect(takeFrom(both, "answer", null)).toHaveProperty("attack");
});
