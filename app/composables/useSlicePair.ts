import type { PlanResult } from "#core/plan";

/** Two of a plan's variables, by their places. */
export type Pair = readonly [number, number];

/** Which two of more than two variables are pictured as a slice; whoever wants no slice has none. */
export function useSlicePair(
  pair: Ref<Pair | null>,
  variables: Readonly<Ref<readonly string[]>>,
  result: Readonly<Ref<PlanResult | null>>,
) {
  const isUnwanted = ref(false);
  /** The two that weigh most in the best value; a slice through zeros would show little. */
  function weightiest(): Pair {
    const at = (result.value?.whole ?? result.value?.best[0])?.at ?? [];
    const places = variables.value.map((_, j) => j);
    const [a, b] = places.sort((i, j) => Math.abs(at[j] ?? 0) - Math.abs(at[i] ?? 0));
    return [Math.min(a!, b!), Math.max(a!, b!)];
  }
  watch(
    () => [variables.value.length, result.value?.best.length] as const,
    ([count, found]) => {
      if (count <= 2) pair.value = null;
      else if (found && pair.value === null && !isUnwanted.value) pair.value = weightiest();
      else if (pair.value?.some((j) => j >= count)) pair.value = null;
    },
  );
  function begin(): void {
    pair.value = weightiest();
  }
  function end(): void {
    isUnwanted.value = true;
    pair.value = null;
  }
  /** Puts a variable across (0) or upwards (1); the other one gives way where it is the same. */
  function pick(place: 0 | 1, name: string): void {
    const j = variables.value.indexOf(name);
    const [a, b] = pair.value ?? [0, 1];
    pair.value = place === 0 ? [j, b === j ? a : b] : [a === j ? b : a, j];
  }
  return { begin, end, pick };
}
