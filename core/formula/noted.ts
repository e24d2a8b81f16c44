interface Note<T> {
  readonly of: object;
  readonly value: T;
}

/**
 * What was found out about an expression, kept on the expression itself. A WeakMap would say the same, but its entries
 * are walked at every garbage collection: the slowest twentieth of all answers came from there (docs/adr/0004).
 */
export class Noted<T> {
  private readonly key = Symbol("noted");

  get(e: object): T | undefined {
    const note = (e as unknown as Record<symbol, Note<T> | undefined>)[this.key];
    // A copy of an expression with another part in it carries the notes of the original along: they are not about the
    // copy.
    return note?.of === e ? note.value : undefined;
  }

  set(e: object, value: T): T {
    (e as unknown as Record<symbol, Note<T>>)[this.key] = { of: e, value };
    return value;
  }
}
