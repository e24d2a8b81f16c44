interface Surface {
  resize(size: { width: number; height: number }): void;
  dispose(): void;
}

/**
 * A drawing in an element: opened when the library has come, redrawn when the element or the colours of the page
 * change, closed with its component.
 * @param load  brings what opens the drawing at a width and height in pixels; it comes only where a graph is
 * @param draw  draws at a width and height in pixels
 */
export function useChart<T extends Surface>(
  home: Readonly<Ref<HTMLElement | null>>,
  load: () => Promise<(element: HTMLElement, width: number, height: number) => T>,
  draw: (chart: T, width: number, height: number) => void,
) {
  const size = reactive({ width: 0, height: 0 });
  let chart: T | null = null;
  let gone = false;
  let stop = () => {};
  function redraw(): void {
    if (chart && size.width >= 120) draw(chart, size.width, size.height);
  }
  /** @returns whether it is another size than before */
  function measure(): boolean {
    if (!home.value) return false;
    const { clientWidth: width, clientHeight: height } = home.value;
    const isOther = width !== size.width || height !== size.height;
    Object.assign(size, { width, height });
    return isOther;
  }

  onMounted(async () => {
    const open = await load().catch(() => null);
    if (gone || !home.value || !open) return;
    measure();
    chart = open(home.value, size.width, size.height);
    redraw();
    const watcher = new ResizeObserver(() => {
      // An observer tells the size it begins with too: to draw everything for that once more would hold the page up.
      if (!measure()) return;
      chart?.resize({ width: size.width, height: size.height });
      redraw();
    });
    watcher.observe(home.value);
    const dark = matchMedia("(prefers-color-scheme: dark)");
    dark.addEventListener("change", redraw);
    stop = () => {
      watcher.disconnect();
      dark.removeEventListener("change", redraw);
    };
  });
  onBeforeUnmount(() => {
    gone = true;
    stop();
    chart?.dispose();
    chart = null;
  });
  return { size, redraw };
}
