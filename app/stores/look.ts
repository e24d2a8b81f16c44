import { useLocalStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import * as z from "zod/mini";

/** Shares of so many parts, in percent. */
const shares = (count: number) => z.array(z.number().check(z.gte(1), z.lte(99))).check(z.length(count));

/** Where the desk's borders lie: what part of the whole each side has, in percent. */
const bordersSchema = z.object({
  /** what is above the entry line, and what is from there on */
  rows: shares(2),
  /** story and graph */
  top: shares(2),
  /** story, graph and table of values */
  topWithTable: shares(3),
  /** givens, functions and findings */
  lists: shares(3),
});
export type Borders = z.infer<typeof bordersSchema>;

const AT_FIRST: Borders = { rows: [46, 54], top: [29, 71], topWithTable: [22, 42, 36], lists: [29, 34, 37] };

/** A store that is full or closed remembers nothing; what was chosen holds for this page. */
const FORGIVING = { flush: "sync", onError: () => {} } as const;

/** How the person likes things to look, remembered in this browser. */
export const useLookStore = defineStore("look", () => {
  const borders = useLocalStorage<Borders>("pasear:borders", AT_FIRST, {
    ...FORGIVING,
    serializer: {
      read: (text) => bordersSchema.safeParse(parsed(text)).data ?? AT_FIRST,
      write: (value) => JSON.stringify(value),
    },
  });
  function keep(part: keyof Borders, sizes: readonly number[]): void {
    borders.value = { ...borders.value, [part]: [...sizes] };
  }
  /** the steps of a first visit are done, or were left */
  const hasLeftSteps = useLocalStorage("pasear:first-steps-left", false, FORGIVING);
  return { borders, keep, hasLeftSteps };
});

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
