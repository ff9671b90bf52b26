/**
 * The one kind of cache for what is remembered by text or number. It never holds more than twice its
 * limit: what was not asked for again while as many new entries came in is forgotten, so that a long
 * search or a hostile text cannot fill the memory. Things that hang on an object are kept in a
 * `WeakMap` by that object instead.
 */
export class Bounded<Key extends string | number, Value> {
  private fresh = new Map<Key, Value>();
  private old = new Map<Key, Value>();

  /** `limit`: how many entries are kept for sure. */
  constructor(private readonly limit: number) {}

  get(key: Key): Value | undefined {
    const value = this.fresh.get(key);
    if (value !== undefined) return value;
    const before = this.old.get(key);
    if (before !== undefined) this.set(key, before);
    return before;
  }

  set(key: Key, value: Value): void {
    if (this.fresh.size >= this.limit && !this.fresh.has(key)) {
      this.old = this.fresh;
      this.fresh = new Map();
    }
    this.fresh.set(key, value);
  }

  /** The value of a key, made where there is none. A value of `undefined` is made each time. */
  of(key: Key, make: () => Value): Value {
    const known = this.get(key);
    if (known !== undefined) return known;
    const value = make();
    this.set(key, value);
    return value;
  }
}

/** What is kept for an object as long as the object lives: made where there is nothing yet. */
export function keptFor<Owner extends object, Value>(
  cache: WeakMap<Owner, Value>,
  owner: Owner,
  make: (owner: Owner) => Value,
): Value {
  let value = cache.get(owner);
  if (value === undefined) cache.set(owner, (value = make(owner)));
  return value;
}
