/** Lets the page work without a server after its first visit; registered when the first page has come to rest. */
export default defineNuxtPlugin((nuxt) => {
  if (import.meta.dev || !("serviceWorker" in navigator)) return;
  const { serviceWorker } = navigator;
  nuxt.hook("app:mounted", () => {
    const register = () => {
      // What this page read before the worker was there is read once more, for the worker to keep.
      if (!serviceWorker.controller) serviceWorker.addEventListener("controllerchange", readAgain, { once: true });
      // Without it the page works as before, with a server.
      serviceWorker.register("/sw.js").catch(() => null);
    };
    requestIdleCallback(register, { timeout: 5000 });
  });
});

function readAgain(): void {
  const read = performance.getEntriesByType("resource").map((entry) => entry.name);
  for (const address of new Set(read))
    if (new URL(address).pathname.startsWith("/api/cases")) fetch(address).catch(() => null);
}
