import { formatNumber, formatUnitElsewhere, formatQuantity, isMoney, list } from "../../explain";
import type { MeetFinding, ReachFinding, Solution } from "../finding";
import { MOST_TOLD, few, type Speech } from "./speech";

/** How the two kinds of question about one level speak of it. */
export interface LevelWords {
  /** "R and C meet", "P is $500" */
  readonly goal: string;
  /** "R is at least C", "it is at least $500" */
  readonly holds: string;
  /** "gives R at least C", "gives at least $500" */
  readonly gives: string;
  /** the level is the one from which on it pays */
  readonly isZero: boolean;
  readonly everywhere: string;
  readonly never: string;
}
type AtLevel = MeetFinding | ReachFinding;

/** Where something takes a level, told by places, stretches and the whole inputs beside them. */
export function levelSentence(f: AtLevel, say: Speech, words: LevelWords): string {
  if (f.status === "unsettled") return unsettled(f, say, words.goal);
  if (f.status === "everywhere") return `${words.everywhere}.`;
  if (f.status === "none") return `${words.never}.${jumped(f, say)}`;
  const all = f.solutions;
  if (all.length === 0) return `${words.goal} ${few(f.stretches.map((s) => say.stretch(s)))}.`;
  if (all.length === 1) return onePlace(f, all[0]!, say, words);
  const digits = digitsThatPart(all);
  const places = all.map((s) => say.place(s, digits));
  if (all.length > MOST_TOLD)
    return `${words.goal} at ${all.length} places, from ${places[0]} to ${places[places.length - 1]}.`;
  return `${words.goal} at ${list(places)}${wholes(f, say, words)}.`;
}

/** As few digits as tell all answers apart. */
const digitsThatPart = (all: readonly Solution[]): number =>
  [6, 9, 12, 16].find((d) => new Set(all.map((s) => formatNumber(s.at, d))).size === all.length) ?? 16;

function jumped(f: AtLevel, say: Speech): string {
  if (f.jumps.length === 0) return "";
  const at = list(f.jumps.map((j) => say.at(j)));
  return f.ask === "meet"
    ? ` At ${at} one jumps past the other without meeting it.`
    : ` It jumps over that value at ${at} without taking it.`;
}

function wholes(f: AtLevel, say: Speech, words: LevelWords): string {
  const beside = f.solutions.filter((s) => s.whole && s.whole.at !== s.at);
  if (beside.length === 0) return "";
  // Only when it goes up and down in turn do the whole numbers part the range; after a jump they are just told.
  const isInTurn = beside.every((s, i) => i === 0 || s.turns !== beside[i - 1]!.turns);
  if (f.about.round || !isInTurn) return `; in whole numbers ${list(beside.map((s) => formatNumber(s.whole!.at)))}`;
  const parts = beside.map((s) => {
    const count = formatQuantity(s.whole!.at, say.input);
    return s.turns < 0 ? `up to ${count}` : `from ${count} on`;
  });
  return `: ${words.holds} ${list(parts)}`;
}

function onePlace(f: AtLevel, s: Solution, say: Speech, words: LevelWords): string {
  const touches = s.kind === "touching" ? ", touching it only" : "";
  if (!s.whole) return `${words.goal} at ${say.place(s)}${touches}.`;
  if (s.whole.at === s.at) return `${words.goal} at exactly ${say.at(s.at)}${touches}.`;
  const count = say.isCounted() ? formatQuantity(s.whole.at, say.input) : `${say.x} = ${formatNumber(s.whole.at)}`;
  const { round } = f.about;
  if (round)
    return `${words.goal} at ${say.place(s)}: ${count} when rounded ${round === "nearest" ? "to the nearest" : round}.`;
  const pays = isMoney(say.output) && words.isZero;
  if (s.turns > 0) return `${count} is the first whole number that ${pays ? "pays" : words.gives}.`;
  if (s.turns < 0) return `${count} is the last whole number that ${pays ? "still pays" : words.gives}.`;
  return `${count} is the whole number next to it that ${pays ? "pays" : words.gives}.`;
}

function unsettled(f: AtLevel, say: Speech, goal: string): string {
  const rest = f.open.flatMap(({ from, to }) => {
    if (from === null) return [];
    if (to === null) return [`from ${say.at(from, 8)} on`];
    const [a, b] = [formatUnitElsewhere(from, say.input, 8), formatUnitElsewhere(to, say.input, 8)];
    return [a === b ? `near ${say.at(from, 8)}` : `on ${a} … ${formatQuantity(to, say.input, 8)}`];
  });
  const places = [...new Set(rest)];
  const told = places.length > MOST_TOLD ? few(places, "and", "stretches") : list(places);
  return `Not settled: whether ${goal} could not be proven or excluded${told ? ` ${told}` : ""}.`;
}

/** "the only crossing", "both places": of questions whose answers are places. */
export function suretyOfPlaces(f: AtLevel, on: string): string | null {
  const n = f.solutions.length;
  if (n === 0) return f.status === "none" ? `proven: none${on}` : null;
  if (n > 1) return `${n === 2 ? "both places" : `all ${n} places`}${on}`;
  return `the only ${f.solutions[0]!.kind === "touching" ? "touching" : "crossing"}${on}`;
}
