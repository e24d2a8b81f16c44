/** The lines that were taken before, walked through with the arrows; what is being typed waits at the end. */
export function useLineHistory(text: Ref<string>) {
  const lines: string[] = [];
  let back = 0;
  /** what was typed before walking back */
  let kept = "";
  function walk(step: number): void {
    const next = back + step;
    if (next < 0 || next > lines.length) return;
    if (back === 0) kept = text.value;
    back = next;
    text.value = next === 0 ? kept : lines[lines.length - next]!;
  }
  function remember(): void {
    lines.push(text.value);
    back = 0;
  }
  return { walk, remember };
}
