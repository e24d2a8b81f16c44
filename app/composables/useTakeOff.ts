import { dependentsOf, type Thing } from "#core/edit";

/**
 * Takes a given, a variable, a function or a question off the desk, and says what needed it. That stays, unless the
 * person takes it off as well; undo brings everything back.
 */
export function useTakeOff() {
  const store = useCaseStore();
  const toast = useToast();
  const offered = useStandingOffer();
  return (thing: Thing, links: readonly (readonly [string, string])[]): void => {
    const needing = dependentsOf(thing, links);
    const what = thing.kind === "question" ? "The question" : thing.name;
    store.apply({ kind: "remove", thing });
    const names = needing.map((t) => t.name).join(", ");
    const need = thing.kind === "question" ? "used its answer" : "needed it and cannot be worked out now";
    const [summary, back] = [`${what} is deleted.`, "Undo brings it back."];
    if (needing.length === 0) {
      toast.add({ severity: "info", summary, detail: back, life: 6000 });
      return;
    }
    const takeOff = () => store.apply({ kind: "remove", thing, with: needing });
    offered(
      { severity: "warn", summary, detail: `${names} ${need}. ${back}` },
      { says: "Delete these too", act: takeOff },
    );
  };
}
