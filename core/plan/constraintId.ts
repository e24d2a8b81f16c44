/** A, B, … Z, C1, C2, …: the first that no constraint has. */
export function freeConstraintId(taken: readonly { readonly id: string }[]): string {
  for (let i = 0; ; i++) {
    const id = i < 26 ? String.fromCharCode(65 + i) : `C${i - 25}`;
    if (!taken.some((c) => c.id === id)) return id;
  }
}
