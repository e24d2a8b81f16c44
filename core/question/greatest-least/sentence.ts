import { formatNumber, formatQuantity, formatStep } from "../../explain";
import { few, type Speech } from "../common/speech";
import type { BestFinding, WholeReading } from "../finding";

export function sentence(f: BestFinding, say: Speech): string {
  if (f.status === "none") return f.bound ? unattained(f, f.bound, say) : (f.message ?? "");
  if (f.status === "unsettled") return `Not settled: where ${say.name} is ${f.ask} could not be proven.`;
  const value = f.value === null ? "" : say.out(f.value);
  if (f.status === "everywhere") return `${say.name} is ${value} throughout; no input is better than another.`;
  // What is not settled is said in full: "As far as is settled, P is greatest at 29 or 30 lanterns".
  const isShort = f.complete;
  if (f.wholeTies) return `${isShort ? "" : `${say.name} is ${f.ask} at `}${ties(f.wholeTies, say)}`;
  if (f.stretches.length > 0)
    return `${say.name} is ${f.ask} ${few(f.stretches.map((s) => say.stretch(s)))}: ${value}.`;
  const whole = f.solutions[0]?.whole;
  if (whole && say.isCounted() && isShort) return `${formatQuantity(whole.at, say.input)}: ${say.out(whole.value)}.`;
  if (whole) {
    const at = say.isCounted() ? say.at(whole.at) : `${say.x} = ${formatNumber(whole.at)}`;
    return `${say.name} is ${f.ask} at ${at}: ${say.out(whole.value)}.`;
  }
  return `${say.name} is ${f.ask} at ${few(
    f.solutions.map((s) => say.place(s)),
    "and",
    "places",
  )}: ${value}.`;
}

/** "29 or 30 lanterns: $870." */
function ties(wholes: readonly WholeReading[], say: Speech): string {
  const inputs = few(
    wholes.map((t) => formatNumber(t.at)),
    "or",
    "inputs",
  );
  return `${say.isCounted() ? `${inputs} ${say.noun()}` : inputs}: ${say.out(wholes[0]!.value)}.`;
}

/** A greatest or least value that is approached only, or has no bound. */
function unattained(f: BestFinding, { value, at, side }: NonNullable<BestFinding["bound"]>, say: Speech): string {
  const again = f.repeats ? `, again every ${formatStep(f.repeats.every, say.input)}` : "";
  const far = `as ${say.x} ${side > 0 ? "grows" : "falls"}`;
  const none = `${say.name} has no ${f.ask} value`;
  if (value === null) {
    const way = f.ask === "greatest" ? "grows" : "falls";
    return `${none}: it ${way} without bound ${at === null ? far : `near ${say.at(at)}${again}`}.`;
  }
  const where = at === null ? far : `as ${say.x} approaches ${formatQuantity(at, say.input)}${again}`;
  return `${none}: it comes ever closer to ${formatQuantity(value, say.output)} ${where}, and does not take it.`;
}
