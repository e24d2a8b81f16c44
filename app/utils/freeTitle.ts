/** The title of another version of a case: "Lantern stall, version 2", the first number that is free. */
export function freeTitleBeside(title: string, taken: readonly string[]): string {
  const stem = title.replace(/, version \d+$/, "");
  for (let i = 2; ; i++) {
    const next = `${stem}, version ${i}`;
    if (next !== title && !taken.includes(next)) return next;
  }
}
