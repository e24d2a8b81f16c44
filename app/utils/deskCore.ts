type DeskCore = typeof import("./deskCoreParts");

const there = shallowRef<DeskCore | null>(null);
let coming: Promise<DeskCore | null> | null = null;

/** Said where it is wanted and cannot be had; what was typed stays. */
export const NO_DESK_CORE =
  "What reads this has not come to this page yet, and the server does not answer; try again in a moment.";

/** What the page works with once somebody does something; null where it cannot be had now. */
export function deskCore(): Promise<DeskCore | null> {
  coming ??= import("./deskCoreParts").then(
    (core) => (there.value = core),
    () => (coming = null),
  );
  return coming;
}
/** The same as far as it is there; null as long as it is not. */
export const deskCoreNow = (): DeskCore | null => there.value;

/**
 * The same for who comes after somebody that waited for it: a text is kept after it was checked, a change undone after
 * one from elsewhere was taken in.
 */
export function deskCoreAtHand(): DeskCore {
  if (!there.value) throw new Error("Nobody has waited for what works with cases.");
  return there.value;
}

/** Makes something of it, at once where it is there; else when it has come, or what is said where it does not come. */
export function withDeskCore(use: (core: DeskCore) => string | null): string | null | Promise<string | null> {
  return there.value ? use(there.value) : deskCore().then((core) => (core ? use(core) : NO_DESK_CORE));
}
