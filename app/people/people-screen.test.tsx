/** People as the server writes them. */
import { student } from "../class/testing.ts";
import { PeopleScreen } from "./people-screen.tsx";
import { text } from "../ui/testing.tsx";

describe("people", () => {
  test("are listed with measures, levels and limits", () => {
    const list = text(
      <PeopleScreen people={[student("Odo", { minor: true }), student("Edda")]} archived={[]} wishes={[]} gear={[]} />,
    );
    expect(list).toMatch(/Edda 171 cm – 66 kg left right flow 4 no falls .*Odo · minor/);
  });
  test("nobody yet: it says how to begin", () => {
    expect(text(<PeopleScreen people={[]} archived={[]} wishes={[]} gear={[]} />)).toMatch(
      /Nobody is here yet\. Add a person, or read a table/,
    );
  });
});
