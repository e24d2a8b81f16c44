import { judgedLines } from "./own.fixture";
import { sideText, type Made } from "./steps.fixture";

/** A step judged as a line under the equation it starts from, with its brackets cleared where that is wanted. */
export function verdictOfStep({ from, to }: { from: Made; to: Made }, isCleared: boolean) {
  const [left, right] = [from.left, from.right].map((e) => sideText(e, false)) as [string, string];
  const line = `${sideText(to.left, isCleared)} = ${sideText(to.right, isCleared)}`;
  const asked = { ask: "meet" as const, functions: ["f", "g"] };
  const [judged] = judgedLines({ f: left, g: right }, asked, [line], { from: 0.25, to: 40 });
  return { line: `${left} = ${right}; ${line}`, verdict: judged!.verdict };
}
