import { quoted } from "../formula";

/** A circle of functions: each needs the next, the last the first. */
export interface Circle {
  /** from a function back to itself: the first name is the last as well */
  readonly names: readonly string[];
  readonly message: string;
}

/** Functions that come to need themselves. @param usesOf  what a function is made of */
export function findCircles(names: readonly string[], usesOf: (name: string) => readonly string[]): Circle[] {
  const state = new Map<string, "open" | "done">();
  const circles: Circle[] = [];
  const visit = (name: string, trail: readonly string[]): void => {
    if (state.get(name) === "done") return;
    if (state.get(name) === "open") {
      const circle = [...trail.slice(trail.indexOf(name)), name];
      circles.push({ names: circle, message: circleMessage(circle) });
      return;
    }
    state.set(name, "open");
    for (const used of usesOf(name)) visit(used, [...trail, name]);
    state.set(name, "done");
  };
  for (const name of names) visit(name, []);
  return circles;
}

function circleMessage(circle: readonly string[]): string {
  if (circle.length === 2) return `${quoted(circle[0]!)} is made of itself; a function needs to be made of others.`;
  const needs = circle.slice(0, -1).map((n, i) => `${n} needs ${circle[i + 1]}`);
  return `${needs.join(", and ")}: a circle of functions has no values. Take one of these names out.`;
}

/** Names in an order in which each comes after all it is made of; those in circles come as they stand. */
export function inOrder(
  names: readonly string[],
  usesOf: (name: string) => readonly string[],
  inCircle: (name: string) => boolean,
): string[] {
  const out: string[] = [];
  const done = new Set<string>();
  const visit = (name: string): void => {
    if (done.has(name)) return;
    done.add(name);
    if (!inCircle(name)) for (const used of usesOf(name)) visit(used);
    out.push(name);
  };
  for (const name of names) visit(name);
  return out;
}
