/** Should no frame come, as in a window that is covered, the work is done after this long, in ms. */
const AT_THE_LATEST = 60;

/**
 * Runs something right after the next frame is painted, once. What is changed then has nearly a whole frame's time
 * before it must be on the screen; changed just before a frame, it would make that frame late.
 */
export function afterFrame(run: () => void): void {
  let isDone = false;
  const once = () => {
    if (!isDone) {
      isDone = true;
      clearTimeout(timer);
      run();
    }
  };
  const timer = setTimeout(once, AT_THE_LATEST);
  requestAnimationFrame(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      once();
    };
    port2.postMessage(null);
  });
}
