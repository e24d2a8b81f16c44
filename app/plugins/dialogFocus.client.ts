/**
 * After a dialog the focus goes back to where it came from. The dialogs of the library leave it on the page's body,
 * from where the keyboard has to begin anew.
 */
export default defineNuxtPlugin(() => {
  const DIALOG = "[role='dialog'], [role='alertdialog']";
  let before: HTMLElement | null = null;
  document.addEventListener("focusin", ({ target }) => {
    if (target instanceof HTMLElement && !target.closest(DIALOG)) before = target;
  });
  const isGone = ({ removedNodes }: MutationRecord) =>
    [...removedNodes].some((n) => n instanceof HTMLElement && (n.matches(DIALOG) || n.querySelector(DIALOG) !== null));
  new MutationObserver((changes) => {
    if (!changes.some(isGone)) return;
    // Whoever closed it may have a better place in mind.
    setTimeout(() => {
      const isLost = document.activeElement === document.body && document.querySelector(DIALOG) === null;
      if (isLost && before?.isConnected) before.focus();
    }, 30);
  }).observe(document.body, { childList: true, subtree: true });
});
