import type { Chance } from "../shared/chance";

/** What formulas, units and tables are made of, and what breaks them. */
const PIECES = [
  ..."+-*/^()[]{},;:=<>≤≥?!|_.…'\"\\ \t\n%$€£°²³√∞π−–×÷·",
  ...[
    "x",
    "q",
    "F",
    "e",
    "pi",
    "exp(",
    "ln(",
    "sqrt(",
    "abs(",
    "min(",
    "floor(",
    "tan(",
    "step(",
    "answer of q1",
    "total of ",
  ],
  ...[
    "0",
    "1",
    "-1",
    "1e308",
    "1e-320",
    "9007199254740993",
    "0.1",
    "1/3",
    "1,000.5",
    "1.000,5",
    "4.2 %",
    "12:30",
    "2026-02-30",
  ],
  ...[
    "\u0000",
    "\ufeff",
    "\u202e",
    "\ud800",
    "é",
    "e\u0301",
    "ß",
    "مرحبا",
    "漢",
    "👩‍🚀",
    "\r\n",
    "</script>",
    "${x}",
    "__proto__",
    "constructor",
  ],
  ...[
    "toString",
    " where ",
    " for ",
    " to ",
    " in ",
    "greatest ",
    "least ",
    " when ",
    "((((((((((",
    "----------",
    "x^x^x^x^x",
  ],
] as const;

/** A text with a few changes: something put in, taken out, doubled, or moved. */
export function spoiltText(text: string, c: Chance): string {
  let now = text;
  for (let i = c.whole(1, 4); i > 0; i--) {
    const at = c.whole(0, now.length);
    const end = Math.min(now.length, at + c.whole(1, 12));
    const part = now.slice(at, end);
    const way = c.whole(0, 5);
    if (way <= 1) now = now.slice(0, at) + c.of(PIECES) + now.slice(at);
    else if (way === 2) now = now.slice(0, at) + now.slice(end);
    else if (way === 3) now = now.slice(0, at) + part.repeat(c.whole(2, 40)) + now.slice(at);
    else if (way === 4) now = now.slice(0, at) + c.of(PIECES) + now.slice(end);
    else {
      const rest = now.slice(0, at) + now.slice(end);
      const to = c.whole(0, rest.length);
      now = rest.slice(0, to) + part + rest.slice(to);
    }
  }
  return now;
}

const NUMBERS = [
  0,
  -0,
  1,
  -1,
  0.1,
  1e-300,
  5e-324,
  1e15,
  2 ** 53 + 2,
  1e100,
  1e300,
  -1e300,
  1.7976931348623157e308,
  1 / 3,
];
const STRANGERS = [null, true, "", "x", [], {}, [[]], "1/0", { of: "q1" }, { of: "q9", pick: "last" }, [1, 2, 3]];

/** A document with a few changes anywhere in it; most are of the kind of value that stood there. */
export function spoiltDocument(document: unknown, c: Chance): unknown {
  const copy = structuredClone(document);
  for (let i = c.whole(1, 4); i > 0; i--) spoilOne(copy, c);
  return copy;
}
type Holder = Record<string, unknown>;
function spoilOne(root: unknown, c: Chance): void {
  let holder = root as Holder;
  for (;;) {
    const keys = Object.keys(holder);
    if (keys.length === 0) return;
    const key = c.of(keys);
    const value = holder[key];
    const goesOn = typeof value === "object" && value !== null && Object.keys(value).length > 0 && !c.once(6);
    if (goesOn) {
      holder = value as Holder;
      continue;
    }
    if (c.once(12))
      return void (Array.isArray(holder) ? holder.splice(Number(key), 1) : Reflect.deleteProperty(holder, key));
    if (Array.isArray(holder) && c.once(3)) return void holder.push(structuredClone(value));
    holder[key] = c.once(10) ? structuredClone(c.of(STRANGERS)) : spoiltValue(value, c);
    return;
  }
}
function spoiltValue(value: unknown, c: Chance): unknown {
  if (typeof value === "number") return c.once(2) ? c.of(NUMBERS) : value * c.of([-1, 10, 0.5, 1e6, 1e-6, 3]);
  if (typeof value === "string") return spoiltText(value, c);
  if (typeof value === "boolean") return !value;
  return structuredClone(c.of(STRANGERS));
}
