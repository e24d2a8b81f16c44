import type { ToastMessageOptions } from "primevue/toast";

/** Something a message offers to do. */
export interface Offer {
  readonly says: string;
  act(): void;
}

/** A message, with what it may offer. */
export type Told = ToastMessageOptions & { readonly offer?: Offer };

/**
 * Messages that offer something stand until that is done, they are closed, the case changes, or the place they were
 * made at is left: nobody is hurried.
 */
export function useStandingOffer() {
  const store = useCaseStore();
  const toast = useToast();
  const standing = new Set<Told>();
  function withdraw(): void {
    for (const told of standing) toast.remove(told);
    standing.clear();
  }
  watch(() => store.document, withdraw);
  onScopeDispose(withdraw);
  return (message: ToastMessageOptions, offer: Offer): void => {
    const told: Told = { ...message, offer };
    // What was changed just now withdraws the messages before it, and not this one.
    void nextTick(() => {
      standing.add(told);
      toast.add(told);
    });
  };
}
