/** Reads the games in games.txt: each with the verdict that is expected, what must be said of it, and its text. */
interface Written {
  readonly name: string;
  readonly text: string;
  readonly verdict: string;
  /** Codes of findings that must be there. */
  readonly says: readonly string[];
}

/** Games with a row over each: the verdict, what must be said, header rows, why. */
export function writtenGames(text: string): readonly Written[] {
  return text
    .split(/^= /m)
    .slice(1)
    .map((part) => {
      const [head, ...rows] = part.split("\n");
      const cells = head!.split("|").map((cell) => cell.trim());
      const [verdict, ...codes] = cells[0]!.split(/\s+/);
      const headers = cells
        .slice(1, -1)
        .join("\n")
        .split(/\s*;\s*(?=[A-Z]:)/)
        .join("\n");
      const name = /^game (.*):/m.exec(part)![1]!;
      return { name, text: `${headers}\n\n${rows.join("\n")}`, verdict: verdict!, says: codes.map((c) => c.slice(1)) };
    });
}
