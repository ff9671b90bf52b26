/** Names as they stand where room is short, or where whole names are not for everybody. */

/** First names where they tell people apart, else with the first letter of the other. */
export function shortNames(names: readonly string[]): (name: string) => string {
  const first = (name: string) => name.split(/\s+/)[0] ?? name;
  const times = new Map<string, number>();
  for (const name of names) times.set(first(name), (times.get(first(name)) ?? 0) + 1);
  return (name) => {
    const rest = name.split(/\s+/).slice(1).join(" ");
    return (times.get(first(name)) ?? 0) > 1 && rest ? `${first(name)} ${rest[0]!}.` : first(name);
  };
}
