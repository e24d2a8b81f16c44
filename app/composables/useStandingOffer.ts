import type { ToastMessageOptions } from "primevue/toast";

/** Something a message offers to do. */
export interface Offer {
  readonly says: string;
  act(): void;
}

/** Messages that offer something stand until that is done, they are closed, or the case changes: nobody is hurried. */
export function useStandingOffer() {
  const store = useCaseStore();
  const toast = useToast();
  return (message: ToastMessageOptions, offer: Offer): void => {
    const standing = { ...message, ...{ offer } };
    toast.add(standing);
    const stop = watch(
      () => store.document,
      () => {
        stop();
        toast.remove(standing);
      },
    );
  };
}
