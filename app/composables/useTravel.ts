import type { ToastMessageOptions } from "primevue/toast";
import type { Travelled } from "~/utils/undoSteps";

/** Back and forth through the changes of the open case; what comes of it, and what came from elsewhere, is told. */
export function useTravel() {
  const store = useCaseStore();
  const toast = useToast();
  const undoName = computed(() => store.undoSteps.at(-1)?.name ?? null);
  const redoName = computed(() => store.redoSteps.at(-1)?.name ?? null);

  function tell(word: string, way: Travelled | null): void {
    if (!way) return;
    if (way.clashes.length === 0) {
      toast.add({ severity: "secondary", summary: `${word}: ${way.name}`, life: 1800 });
      return;
    }
    const detail = `Changed elsewhere since: ${way.clashes.join("; ")}.`;
    toast.add({ severity: "warn", summary: `"${way.name}" stays as it is.`, detail, life: 6000 });
  }
  const undo = (): void => tell("Undone", store.undo());
  const redo = (): void => tell("Done again", store.redo());

  /** A hand in another tab changes much in little time: only the last of it is told. */
  let told: ToastMessageOptions | null = null;
  watch(
    () => store.arrived,
    (parts) => {
      if (told) toast.remove(told);
      told = { severity: "info", summary: "Changed elsewhere", detail: `${parts.join("; ")}.`, life: 4000 };
      toast.add(told);
    },
  );
  return { undoName, redoName, undo, redo };
}
