/** What is typed is sent before the page goes or hides; whoever would lose something by leaving is asked. */
export function useLeaving(): void {
  const store = useCaseStore();
  const warn = (event: BeforeUnloadEvent) => {
    if (store.isAtRisk()) event.preventDefault();
  };
  const hide = () => {
    if (document.visibilityState === "hidden") store.flush();
    else void store.lookAgain();
  };
  onMounted(() => {
    document.addEventListener("visibilitychange", hide);
    window.addEventListener("pagehide", store.flush);
    window.addEventListener("beforeunload", warn);
  });
  onBeforeUnmount(() => {
    store.flush();
    document.removeEventListener("visibilitychange", hide);
    window.removeEventListener("pagehide", store.flush);
    window.removeEventListener("beforeunload", warn);
  });
}
