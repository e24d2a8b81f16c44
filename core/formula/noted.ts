import type { Expression } from './expression'

/**
 * What was found out about an expression, kept on the expression itself. A WeakMap would say the same, but its entries are walked at every garbage
 * collection: the slowest twentieth of all answers came from there (docs/adr/0004).
 */
export class Noted<T> {
  private readonly key = Symbol('noted')

  get(e: Expression): T | undefined { return (e as unknown as Record<symbol, T | undefined>)[this.key] }

  set(e: Expression, value: T): T {
    // Not listed, so that copies and comparisons of expressions do not see it.
    (e as unknown as Record<symbol, T>)[this.key] = value
    return value
  }
}
