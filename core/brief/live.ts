import type { Desk } from "../desk";
import type { LiveNumber } from "../model";

/** What a live number says just now; null where its given or its finding is gone or has no such number. */
export function liveText(live: LiveNumber, desk: Desk): string | null {
  if ("given" in live) return desk.givens.find((g) => g.name === live.given)?.shown ?? null;
  const found = desk.findings.find((f) => f.id === live.finding);
  if (!found || found.status === "error") return null;
  return live.show === "says" ? found.says : found.numbers[live.show];
}

export interface LiveChoice {
  readonly live: LiveNumber;
  /** what the number is: "F, permit and workbench", "Where do R and C meet? input" */
  readonly name: string;
  readonly text: string;
}

const SHOWN = { says: "the sentence", whole: "whole reading", at: "input", value: "number" } as const;

/** Every number of a case that own words can refer to. */
export function liveChoices(desk: Desk): LiveChoice[] {
  const givens = desk.givens.map((g) => ({
    live: { given: g.name },
    name: g.label ? `${g.name}, ${g.label}` : g.name,
    text: g.shown,
  }));
  const findings = desk.findings.flatMap((f) =>
    (["whole", "at", "value", "says"] as const).flatMap((show): LiveChoice[] => {
      const live: LiveNumber = { finding: f.id, show };
      const text = liveText(live, desk);
      if (text === null) return [];
      return [{ live, name: `${f.question.map((p) => p.text).join("")} ${SHOWN[show]}`, text }];
    }),
  );
  return [...givens, ...findings];
}

/** The choices that have every word that was typed in their name or their number. */
export function choicesFor(typed: string, all: readonly LiveChoice[]): LiveChoice[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter(({ name, text }) => words.every((w) => `${name} ${text}`.toLowerCase().includes(w)));
}
