/** Keys of records, and words of lists, with the types that they have. */

/** Returns the keys of a record that has no others. */
export const keysOf = <T extends object>(record: T): (keyof T & string)[] =>
  Object.keys(record) as (keyof T & string)[];

/** Returns true for a word of a list. */
export const isOneOf = <T extends string>(list: readonly T[], word: string): word is T =>
  list.some((one) => one === word);
