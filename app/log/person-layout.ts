/** What somebody trained as one page to hand over: to them, to another school, to parents. */
import type { LogSums } from "#server/views.ts";
import { longDate } from "../ui/dates.ts";
import type { CardPage } from "../paper/drill-card-layout.ts";
import { onePage, TextPage } from "../paper/text-page.ts";
import { roundsText, themeRows, wentText } from "./tallies.ts";

interface Person {
  readonly name: string;
  readonly school: string;
  /** The day on which it is written, `2026-11-25`. */
  readonly today: string;
  readonly sums: LogSums;
  /** Whether it says how it went, or what they trained alone. */
  readonly says: "trained" | "marks";
}
/** More than this does not help anybody on paper. */
const MOST_THEMES = 25;

export function personSheet({ name, school, today, sums, says }: Person): CardPage {
  const themes = themeRows(sums.themes);
  const [first, last] = [sums.weeks[0], sums.weeks[sums.weeks.length - 1]];
  return onePage((size) => {
    const page = new TextPage();
    page.say(`What ${name} trained`, size * 1.6, "heading");
    page.say(
      `${school}, written on ${longDate(today)}. ${sums.evenings === 1 ? "1 evening" : `${sums.evenings} evenings`}${first && last ? `, from the week of ${longDate(first.week)} to that of ${longDate(last.week)}` : ""}.`,
      size,
      "text",
    );
    page.rule();
    for (const theme of themes.slice(0, MOST_THEMES)) {
      const sides = [
        theme.left > 0 ? `${theme.left} with the left lead` : "",
        theme.right > 0 ? `${theme.right} with the right` : "",
      ].filter(Boolean);
      page.say(theme.theme, size, "bold");
      page.say(
        [
          roundsText(theme.rounds),
          ...sides,
          ...(says === "marks" ? [wentText(theme)] : []),
          `last on ${longDate(theme.last)}`,
        ].join(", "),
        size,
        "text",
      );
    }
    if (themes.length === 0) page.say("Nothing yet.", size, "text");
    if (themes.length > MOST_THEMES) page.say(`And ${themes.length - MOST_THEMES} more.`, size, "text");
    page.rule();
    page.say("This says what was trained and seen in class. It is no grade and no leave to teach.", size, "text");
    return page;
  });
}
