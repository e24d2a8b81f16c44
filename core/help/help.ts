import { BUILTIN_FUNCTIONS, BUILTIN_MEANINGS } from "../formula";
import { FORMS } from "../forms";
import type { CaseFile } from "../model";
import { KINDS } from "../question";
import { unitGroups } from "../units";
import type { HelpItem } from "./item";
import { STATEMENTS } from "./statements";

export interface HelpTopic {
  readonly title: string;
  readonly items: readonly HelpItem[];
}

/** Names that stand for those of the case in examples; null where the case has none. */
type Filling = Readonly<Record<"f" | "g" | "x" | "a", string | null>>;

const INVENTED: Filling = { f: "f", g: "g", x: "x", a: "a" };

/** The case's own names where it has functions, so that an example can be tried as it stands. */
function fillingOf(source: CaseFile): Filling {
  const functions = source.functions ?? [];
  const f = functions.at(-1);
  if (!f) return INVENTED;
  const mates = functions.filter((other) => other !== f && other.of === f.of);
  const g = mates.find((other) => other.unit === f.unit) ?? mates[0];
  return { f: f.name, g: g?.name ?? null, x: f.of, a: source.givens?.[0]?.name ?? null };
}

/** An example in the names of the case; none where it lacks one of them. */
function filled(line: string, by: Filling): string[] {
  let lacks = false;
  const text = line.replace(/\{([fgxa])\}/g, (_all, of: keyof Filling) => {
    lacks ||= by[of] === null;
    return by[of] ?? "";
  });
  return lacks ? [] : [text];
}

/** What can be written on the entry line and what a formula may hold, from the code's own tables. */
export function helpTopics(source: CaseFile): HelpTopic[] {
  const by = fillingOf(source);
  const lines = (list: readonly string[]) => list.flatMap((line) => filled(line, by));
  const kinds = [...new Set(KINDS)];
  const units = unitGroups().map(({ of, names }) => ({ what: of, says: names.join(", "), lines: [] }));
  return [
    { title: "Statements", items: STATEMENTS.map((s) => ({ ...s, lines: lines(s.lines) })) },
    { title: "Questions", items: kinds.map((k) => ({ what: k.asks, says: "", lines: lines(k.examples) })) },
    { title: "Formulas", items: [...OPERATIONS, ...functions()] },
    { title: "Units", items: [...units, ...OWN_UNITS] },
    { title: "Forms", items: FORMS.map((f) => ({ what: f.title, says: f.meaning, lines: [] })) },
  ];
}

const OPERATIONS: readonly HelpItem[] = [
  { what: "+ − · /", says: "A product needs no sign: 3x, 2 (q + 1), F k.", lines: ["2 (3 + 4)/7"] },
  { what: "^", says: "Power; −2^2 is −4, and 2^3^2 is 2^9.", lines: ["1.05^12"] },
  { what: "%", says: "A hundredth: 2.9% is 0.029.", lines: ["2400 (1 + 2.9%/4)^12"] },
  { what: "1.2 million, 1,200, 3.2e5", says: "Numbers as they are written.", lines: ["1.2 million/4"] },
  { what: "e, pi", says: "The numbers 2.71828… and 3.14159…", lines: ["2 pi"] },
];
const functions = (): HelpItem[] =>
  BUILTIN_FUNCTIONS.map((name) => ({ what: name, says: BUILTIN_MEANINGS[name] ?? "", lines: [] }));
const OWN_UNITS: readonly HelpItem[] = [
  { what: "things that are counted", says: "Any noun: lantern, people, tickets.", lines: [] },
  { what: "put together", says: "$/lantern, m/s^2, %/year, kg m/s^2", lines: [] },
];
