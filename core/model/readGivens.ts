import { rationalOfTyped } from "../numeric";
import { Enclosure, down, up } from "../interval";
import { encloseRational, quoted } from "../formula";
import type { CaseFile, Given } from "./case";
import { UNKNOWN_GIVEN, type Model } from "./model";
import { said, type Problems } from "./problems";
import { readUnit } from "./readUnit";

type NamedGiven = Model["givens"] extends ReadonlyMap<string, infer G> ? G : never;

/** The numbers of a case by name; the one that is looked for stands for any number. */
export function readGivens(source: CaseFile, unknown: string | null, problems: Problems): Map<string, NamedGiven> {
  const givens = new Map<string, NamedGiven>();
  source.givens?.forEach((g, i) => {
    const unit = readUnit(g.unit, `givens[${i}].unit`, problems);
    if (!Number.isFinite(g.value)) {
      problems.error(`givens[${i}].value`, `The value of ${quoted(g.name)} is not a number.`);
      return;
    }
    const written = unit && /^%/.test(unit.text) ? { written: `${Number((g.value * 100).toPrecision(12))}%` } : {};
    givens.set(g.name, { ...numberOf(g, g.name === unknown), ...written, unit });
    if (unit && /^%/.test(unit.text) && Math.abs(g.value) > 1) sayHundredfold(g, `givens[${i}].value`, problems);
  });
  return givens;
}

function numberOf(g: Given, isUnknown: boolean): Omit<NamedGiven, "unit"> {
  if (isUnknown) return { value: g.value, exact: null, within: UNKNOWN_GIVEN };
  const exact = rationalOfTyped(g.value);
  const within = exact ? encloseRational(exact) : new Enclosure(down(g.value), up(g.value));
  return { value: g.value, exact, within };
}

function sayHundredfold({ name, value }: Given, path: string, problems: Problems): void {
  const [told, meant] = [said(value * 100, 10), said(value / 100, 12)];
  problems.warn(path, `${name} is ${told} %. If ${said(value)} % was meant, the value is ${meant}.`);
}
