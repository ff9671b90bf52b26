/** The people of a pair with their letters. */
export const membersOf = (pair: { readonly a: string; readonly b: string; readonly c: string | null }) =>
  (
    [
      ["A", pair.a],
      ["B", pair.b],
      ["C", pair.c],
    ] as const
  ).flatMap(([actor, id]) => (id ? [{ actor, id }] : []));
