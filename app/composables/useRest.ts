/** Tells what is pointed at once the pointer has rested there for `rest` ms; what is only crossed is not told. */
export function useRest(rest: number, point: (key: string | null) => void) {
  let told: string | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  function pointAt(key: string | null): void {
    clearTimeout(timer);
    if (key === told) return;
    told = key;
    point(key);
  }
  function restAt(key: string | null): void {
    if (key === null) pointAt(null);
    else if (key !== told) {
      clearTimeout(timer);
      timer = setTimeout(pointAt, rest, key);
    }
  }
  onBeforeUnmount(() => clearTimeout(timer));
  return { pointAt, restAt };
}
