import { ratio, rationalText, toDouble } from "../../numeric";
import { compileNumber } from "../../formula";
import { integrate, partition, spotOfRational } from "../../solve";
import type { Question } from "../case";
import type { Finding } from "../finding";
import { gaussSum } from "../secondWay";
import { Refusal, fractionOf, short, type Asking } from "./asking";
import { readable } from "./exactShown";

export function total(asking: Asking<Question & { ask: "total" | "average" }>): Finding {
  const { q, table, name } = asking;
  const x = asking.variable.name;
  const [a, b] = [asking.amount(q.between[0], "the start"), asking.amount(q.between[1], "the end")].map(fractionOf) as [
    ReturnType<typeof fractionOf>,
    ReturnType<typeof fractionOf>,
  ];
  const about = asking.about({ between: [toDouble(a), toDouble(b)] });
  if (q.ask === "average" && a.compare(b) === 0)
    throw new Refusal("An average needs a stretch; both ends are the same.");
  const e = asking.body();
  const sum = integrate(e, table, a, b);
  if (!sum.ok) {
    const near = `near ${x} = ${short(sum.near)}`;
    switch (sum.reason) {
      case "work":
        return asking.finding({
          status: "unsettled",
          about,
          message: `The total could not be bounded within the work allowed; it is hard ${near}.`,
        });
      case "undefined":
        return asking.finding({
          status: "none",
          complete: true,
          about,
          message: `${name} has no value on part of the stretch, ${near}, so that it has no total.`,
        });
      case "unbounded":
        return asking.finding({
          status: "none",
          complete: true,
          about,
          message: `${name} grows without bound ${near}, and so does what is summed; no total can be given.`,
        });
    }
  }
  const by = q.ask === "average" ? b.sub(a) : ratio(1);
  const value = sum.exact ? toDouble(sum.exact.div(by)) : sum.value / toDouble(by);
  const [lo, hi] = a.compare(b) < 0 ? [a, b] : [b, a];
  const breaks = partition([e], table, { from: spotOfRational(lo), to: spotOfRational(hi) }).flatMap((p) =>
    p.kind === "place" ? [p.spot.at] : [],
  );
  const plain = compileNumber(e, table.number);
  return asking.finding({
    complete: true,
    value,
    exactValue: sum.exact ? readable(rationalText(sum.exact.div(by))) : null,
    about,
    // Plain sums cannot follow a function that is not bounded at an end.
    secondWay: sum.isImproper ? null : gaussSum(plain, toDouble(a), toDouble(b), sum.value, breaks),
  });
}
