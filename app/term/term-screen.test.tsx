/** The term as the server writes it. */
import { page } from "../class/testing.ts";
import { ClassDialog } from "./class-dialogs.tsx";
import { TermScreen } from "./term-screen.tsx";
import { html, text } from "../ui/testing.tsx";

test("the term lists its classes, newest first, and names who is in two at once", () => {
  const lesson = { ...page.lesson, here: 9, clash: [] as string[] };
  const term = text(
    <TermScreen
      classes={[
        { ...lesson, id: "1", title: "First", held_on: "2026-11-18" },
        { ...lesson, id: "2", title: "Second", theme: "Distance", clash: ["Edda Vire"] },
      ]}
      people={[]}
      today="2026-11-25"
      trained={[]}
      templates={[]}
      deleted={0}
    />,
  );
  expect(term).toMatch(/Edda Vire is ticked in two classes at the same time on 25 Nov/);
  expect(term).toMatch(/Second Distance .*First/);
});

test("a class is asked for by name, theme, day, time and minutes", () => {
  // A dialog is drawn into the page by script: () => undefined of it may break before.
  expect(() =>
    html(<ClassDialog lesson={null} templates={[]} today="2026-11-25" onClose={() => undefined} />),
  ).not.toThrow();
});
