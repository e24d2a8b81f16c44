import type { Tell } from "~/utils/takeCase";

/** A message that stays for a while; what went wrong stays longer. */
export function useTelling(): Tell {
  const toast = useToast();
  return (summary, detail, isTrouble = false) =>
    toast.add({ severity: isTrouble ? "warn" : "info", summary, detail, life: isTrouble ? 9000 : 6000 });
}
