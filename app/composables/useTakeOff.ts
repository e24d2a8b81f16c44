import { dependentsOf, type Thing } from "#core/edit";

/**
 * Takes a given, a variable, a function or a question off the desk, and says what needed it. That stays, unless the
 * person takes it off as well; undo brings everything back.
 */
export function useTakeOff() {
  const store = useCaseStore();
  const toast = useToast();
  return (thing: Thing, links: readonly (readonly [string, string])[]): void => {
    const needing = dependentsOf(thing, links);
    const what = thing.kind === "question" ? "The question" : thing.name;
    store.apply({ kind: "remove", thing });
    const names = needing.map((t) => t.name).join(", ");
    const need = thing.kind === "question" ? "used its answer" : "needed it and cannot be worked out now";
    const isNeeded = needing.length > 0;
    const offer: Offer = { says: "Delete these too", act: () => store.apply({ kind: "remove", thing, with: needing }) };
    toast.add({
      severity: isNeeded ? "warn" : "info",
      summary: `${what} is deleted.`,
      detail: isNeeded ? `${names} ${need}. Undo brings it back.` : "Undo brings it back.",
      life: isNeeded ? 8000 : 6000,
      ...(isNeeded ? { offer } : {}),
    });
  };
}

/** Something a message offers to do. */
export interface Offer {
  readonly says: string;
  act(): void;
}
