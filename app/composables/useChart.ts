/** What the graphs use of the drawing library. */
export interface Chart { setOption(option: unknown, how?: unknown): void; resize(size: { width: number; height: number }): void; dispose(): void }

/**
 * A drawing in an element: opened when the library has come, redrawn when the element or the colours of the page change, closed with its component.
 * @param draw  draws into the chart at a width and height in pixels
 */
export function useChart(home: Readonly<Ref<HTMLElement | null>>, draw: (chart: Chart, width: number, height: number) => void) {
  const size = reactive({ width: 0, height: 0 })
  let chart: Chart | null = null
  let gone = false
  let stop = () => {}
  function redraw(): void { if (chart && size.width >= 120) draw(chart, size.width, size.height) }
  function measure(): void { if (home.value) { size.width = home.value.clientWidth; size.height = home.value.clientHeight } }

  onMounted(async () => {
    // The drawing library comes only where a graph is.
    const library = await import('~/utils/chart').catch(() => null)
    if (gone || !home.value || !library) return
    measure()
    chart = library.openChart(home.value, size.width, size.height) as Chart
    redraw()
    const watcher = new ResizeObserver(() => { measure(); chart?.resize({ width: size.width, height: size.height }); redraw() })
    watcher.observe(home.value)
    const dark = matchMedia('(prefers-color-scheme: dark)')
    dark.addEventListener('change', redraw)
    stop = () => { watcher.disconnect(); dark.removeEventListener('change', redraw) }
  })
  onBeforeUnmount(() => { gone = true; stop(); chart?.dispose(); chart = null })
  return { size, redraw }
}
