import type { CaseFile } from "../model";
import { singular } from "../units";

/** Words that carry no meaning of their own in a question about functions. */
const SMALL = new Set(
  (
    "a an the is are was were be been being do does did will would can could should " +
    "shall may might must have has had to " +
    "of in on at for from by with that this these those it its we i you they " +
    "our my your there here when where what " +
    "which how many much long far big large high low until till so if then than as please " +
    "pls tell me us show find give " +
    "calculate compute determine work out get gets know want need needs needed value " +
    "values point points place places " +
    "number numbers amount input inputs quantity function functions curve graph plan " +
    "plans offer offers time take takes " +
    "make makes made making reach reaches sell sells sold selling produce produced order " +
    "after before exactly equal equals " +
    "just only first all every any ever possible moment per each up down answer solution " +
    "solutions question result what's " +
    "whats let lets about two both always again still now will one year years month " +
    "months week weeks day days hour hours " +
    "minute minutes second seconds earliest begin start starts happen happens it's going " +
    "go goes give gives travel travels travelled move moves evaluate solve"
  ).split(" "),
);

/** Words that a case itself uses: of labels, units and names; they are no riddle in a line about it. */
export function knownWords(source: CaseFile, nouns: readonly string[]): ReadonlySet<string> {
  const rows = [...(source.functions ?? []), ...(source.variables ?? []), ...(source.givens ?? [])];
  const texts = [source.title, ...rows.flatMap((r) => [r.label ?? "", r.unit ?? ""])];
  const words = texts.flatMap((t) => t.toLowerCase().match(/\p{L}+/gu) ?? []);
  const isPaid = (source.functions ?? []).some((f) => /[$€£¥₹]/.test(f.unit ?? ""));
  const isWarm = texts.some((t) => t.includes("°"));
  return new Set([
    ...nouns,
    ...(isPaid ? ["cost", "price", "money", "charge"] : []),
    ...(isWarm ? ["degree", "degrees", "celsius"] : []),
    ...words,
    ...words.map((w) => singular(w)),
    ...(source.variables ?? []).map((v) => v.name),
  ]);
}

/** The first word of a text that is neither small nor known; null where there is none. */
export function isLeftOver(text: string, known: ReadonlySet<string>): string | null {
  const words = text.match(/[\p{L}][\p{L}\p{Nd}_'’-]*|[^\s\p{L}]+/gu) ?? [];
  const isKnown = (w: string) => {
    const low = w.toLowerCase();
    return SMALL.has(low) || known.has(w) || known.has(low) || known.has(singular(low)) || /^[,.;:()"'’!-]+$/.test(w);
  };
  return words.find((w) => !isKnown(w)) ?? null;
}
