import { buildModel, type CaseFile, type Question, type Variable } from "../model";
import { deskOf, type Desk } from "../desk";
import { rangeInUnit, relationShown } from "../explain";
import { questionText } from "../question";
import { withOffers, type Offered } from "../story";
import { assembled, isSound } from "./assemble";
import { askedOfDesk } from "./ofDesk";
import { readStory } from "./read";

/** Where on the desk an offer will stand when it is taken. */
export type OfferPlace = "givens" | "functions" | "findings";

/** What a story offers, ready to be shown: what it would add, and the words it comes from. */
export interface Offer {
  /** stays the same as long as the words do; what is refused is known by it */
  readonly key: string;
  readonly offered: Offered;
  readonly place: OfferPlace;
  /** the words of the story, and where they stand */
  readonly phrase: string | null;
  /** keys of offers it is made with, and that come with it */
  readonly needs: readonly string[];
  readonly name: string | null;
  readonly label: string;
  /** its value, range or text */
  readonly shown: string;
  readonly latex: string | null;
  /** how it is typed on the entry line; null where a line cannot say it */
  readonly typed: string | null;
}
export interface Offers {
  readonly offers: readonly Offer[];
  readonly notes: readonly string[];
}
const NOTHING: Offers = { offers: [], notes: [] };

const PLACES: Readonly<Record<Offered["kind"], OfferPlace>> = {
  given: "givens",
  variable: "givens",
  data: "givens",
  function: "functions",
  question: "findings",
  "plan-variable": "functions",
  constraint: "functions",
  objective: "functions",
};

/**
 * What the story of a case still offers: nothing that is there, nothing that was left, nothing made with what was left.
 * Where somebody built functions of their own, it offers what it asks about these.
 */
export function offersOf(source: CaseFile): Offers {
  const story = source.story?.text ?? "";
  if (story.trim() === "") return NOTHING;
  const own = readStory(story);
  const isOwnWay = isBuiltOtherwise(source, own.offers);
  const read = isOwnWay ? askedOfDesk(source, story) : own;
  if (read.offers.length === 0) return { offers: [], notes: read.notes };
  const made = isOwnWay ? withOffers({ ...source, questions: [] }, read.offers) : assembled(story, read.offers);
  const model = buildModel(made);
  const desk = deskOf({ model, findings: [] });
  const left = new Set(source.story?.left ?? []);
  const all = read.offers.map((o): Offer => {
    const common = { offered: o, place: PLACES[o.kind], phrase: phraseOf(o, story) };
    return { key: keyOf(o, story), ...common, needs: needsOf(o, read.offers, desk, story), ...shownOf(o, desk, model) };
  });
  const wanted = withoutLeft(
    all.filter((o) => !isThere(o.offered, source)),
    left,
  );
  const after = withOffers(
    source,
    wanted.map((o) => o.offered),
  );
  return { offers: isSound(after) ? wanted : [], notes: read.notes };
}

/** A short amount is shown with the words before it. */
const SHORT = 16;
const LONGEST = 60;
function phraseOf({ from }: Offered, story: string): string | null {
  if (!from) return null;
  const own = story.slice(from.start, from.end);
  if (own.length > SHORT) return own;
  const before = /[^.,;:!?()\n]*$/.exec(story.slice(0, from.start))![0].replace(/^\s*(?:(?:and|but|while)\s)?/i, "");
  return before.length + own.length <= LONGEST ? `${before}${own}` : own;
}

/** Offers without those that were left, and those that are made with one that was. */
function withoutLeft(offers: readonly Offer[], left: ReadonlySet<string>): Offer[] {
  const gone = new Set(left);
  for (let size = -1; size !== gone.size;) {
    size = gone.size;
    for (const o of offers) if (o.needs.some((n) => gone.has(n))) gone.add(o.key);
  }
  return offers.filter((o) => !gone.has(o.key));
}

/** Functions or a plan that no offer would make: somebody goes their own way. */
function isBuiltOtherwise(source: CaseFile, offers: readonly Offered[]): boolean {
  const functions = source.functions ?? [];
  const planned = source.plan?.variables ?? [];
  const isOffered = (name: string, kind: Offered["kind"]) => offers.some((o) => o.kind === kind && nameOf(o) === name);
  return (
    (functions.length > 0 && !functions.some((f) => isOffered(f.name, "function"))) ||
    (planned.length > 0 && !planned.some((v) => isOffered(v.name, "plan-variable")))
  );
}

const nameOf = (o: Offered): string | null => ("name" in o.row ? o.row.name : null);
const overlaps = (o: Offered, m: { readonly start: number; readonly end: number }): boolean =>
  o.from !== null && o.from.start < m.end && m.start < o.from.end;
const bare = ({ id: _id, ...rest }: Question): string => JSON.stringify(rest);

/** Whether what is offered stands in the case already, by its name, its meaning or its words. */
function isThere(o: Offered, source: CaseFile): boolean {
  const marks = source.story?.marks ?? [];
  switch (o.kind) {
    case "given":
      return (
        (source.givens ?? []).some((g) => g.name === o.row.name) ||
        marks.some((m) => m.role === "given" && overlaps(o, m))
      );
    case "variable":
      return (source.variables ?? []).some((v) => v.name === o.row.name);
    case "data":
      return (source.data ?? []).some((d) => d.name === o.row.name);
    case "function":
      return (source.functions ?? []).some(
        (f) => f.name === o.row.name || (f.label !== undefined && f.label === o.row.label && f.of === o.row.of),
      );
    case "question":
      return (source.questions ?? []).some((q) => bare(q) === bare(o.row));
    case "plan-variable":
      return (source.plan?.variables ?? []).some((v) => v.name === o.row.name);
    case "constraint":
      return (source.plan?.constraints ?? []).some((c) => c.text === o.row.text);
    case "objective":
      return source.plan?.objective !== undefined;
  }
}

/** What an offer is known by: its kind, what it is, and its words; not where they stand. */
function keyOf(o: Offered, story: string): string {
  const phrase = o.from ? story.slice(o.from.start, o.from.end) : "";
  const what = o.kind === "question" ? bare(o.row) : "text" in o.row ? o.row.text : nameOf(o);
  return `${o.kind}:${what}:${phrase}`;
}

/** The key an offer has among the links of a desk. */
const linkOf = (o: Offered): string =>
  o.kind === "question" ? `question:${o.row.id}` : `${o.kind}:${nameOf(o) ?? ""}`;

/** Keys of the offers that one is made with. */
function needsOf(o: Offered, all: readonly Offered[], desk: Desk, story: string): string[] {
  if (o.kind === "constraint" || o.kind === "objective")
    return all.filter((x) => x.kind === "plan-variable").map((x) => keyOf(x, story));
  const from = new Set(desk.links.filter(([, to]) => to === linkOf(o)).map(([key]) => key));
  return all.filter((x) => x !== o && from.has(linkOf(x))).map((x) => keyOf(x, story));
}

/** What a plan is made of stands among the functions until it is taken. */
const inPlan = (label: string): string => `${label} · in the plan`;

/** A variable as it is typed: its range, its unit, whether only whole ones count. */
function typedVariable(row: Variable): string {
  // An end that is open has no unit beside it to be typed.
  const range = rangeInUnit(row).replace("… ∞", "…");
  return `${row.name} = ${range}${row.whole ? ", whole" : ""}`.replace(/\s+/g, " ").trim();
}

type Shown = Pick<Offer, "name" | "label" | "shown" | "latex" | "typed">;

/** What an offer looks like on the desk. */
function shownOf(o: Offered, desk: Desk, model: Parameters<typeof questionText>[1]): Shown {
  switch (o.kind) {
    case "given": {
      const shown = desk.givens.find((g) => g.name === o.row.name)?.shown ?? String(o.row.value);
      const typed = `${o.row.name} = ${shown.replaceAll("−", "-")}`;
      return { name: o.row.name, label: o.row.label ?? "", shown, latex: null, typed };
    }
    case "variable": {
      const v = desk.variables.find((x) => x.name === o.row.name);
      const words = [v?.range ?? "", o.row.whole ? "whole" : ""].filter((w) => w !== "").join(", ");
      const typed = typedVariable(o.row);
      return { name: o.row.name, label: o.row.label ?? "", shown: words, latex: null, typed };
    }
    case "data": {
      const columns = o.row.columns.map((c) => c.name).join(" and ");
      return {
        name: null,
        label: "readings",
        shown: `${o.row.rows.length} rows of ${columns}`,
        latex: null,
        typed: null,
      };
    }
    case "function": {
      const f = desk.functions.find((x) => x.name === o.row.name);
      const label = [o.row.label ?? "", f?.note ?? ""].filter((w) => w !== "").join(" · ");
      const typed = o.row.by.kind === "formula" ? `${o.row.name}(${o.row.of}) = ${o.row.by.text}` : null;
      return { name: o.row.name, label, shown: f?.unit ?? "", latex: f?.latex ?? null, typed };
    }
    case "question":
      return { name: null, label: questionText(o.row, model), shown: "", latex: null, typed: null };
    case "plan-variable":
      return {
        name: o.row.name,
        label: inPlan(o.row.label ?? "variable"),
        shown: "how many",
        latex: null,
        typed: null,
      };
    case "constraint":
      return {
        name: o.row.id,
        label: inPlan(o.row.label ?? "limit"),
        shown: relationShown(o.row.text),
        latex: null,
        typed: null,
      };
    case "objective": {
      const label = o.row.sense === "least" ? "as little as possible" : "as much as possible";
      return { name: null, label: inPlan(label), shown: relationShown(o.row.text), latex: null, typed: null };
    }
  }
}
