import type { Amount, Question } from "../model";
import { roomOf } from "./rooms";

/** Names and amounts a question is made with, by its room. */
export function usesOf(q: Question): { readonly names: readonly string[]; readonly amounts: readonly Amount[] } {
  const names: string[] = [];
  const amounts: Amount[] = [];
  roomOf(q).replaced(q, {
    name(n) {
      names.push(n);
      return n;
    },
    amount(a) {
      amounts.push(a);
      return a;
    },
  });
  return { names, amounts };
}

/** The questions whose answers a question uses. */
export const earlierOf = (q: Question): string[] =>
  usesOf(q).amounts.flatMap((a) => (typeof a === "object" ? [a.of] : []));
