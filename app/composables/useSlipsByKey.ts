import type { Slip } from "#core/slips";

const NONE: readonly Slip[] = [];

/** Mistakes by what they belong to, such as `given:F`. */
export function useSlipsByKey(slips: () => readonly Slip[]) {
  const byKey = computed(() => {
    const map = new Map<string, Slip[]>();
    for (const s of slips()) map.set(s.key, [...(map.get(s.key) ?? []), s]);
    return map;
  });
  return (key: string): readonly Slip[] => byKey.value.get(key) ?? NONE;
}
