import type { CaseFile } from "#core/model";
import { formatInput, formatQuantity } from "#core/explain";
import type { Picture } from "#core/graph";
import { rationalOfDouble } from "#core/numeric";
import { toX, toY, type Rect } from "~/charts/deskLayout";

/** The reading line catches a stop this near, in pixels. */
const CATCH = 7;
/** It still answers this far beside the panes, in pixels. */
const BESIDE = 6;
/** Steps of an arrow key across the graph. */
const STEPS = 200;

/** A curve read off at the reading line, and where on the page. */
export interface CurveReading {
  readonly name: string;
  readonly colour: number;
  readonly text: string;
  /** null where it has no value, or none in sight of its pane */
  readonly y: number | null;
}

/** What every curve says at the input of the reading line, and where on the page. */
function useReadings(
  picture: () => Picture | null,
  source: () => CaseFile,
  rects: Readonly<Ref<readonly Rect[]>>,
  at: Readonly<Ref<number | null>>,
) {
  const core = computed(() => (at.value === null ? null : deskCoreNow()));
  const model = computed(() => core.value?.modelOf(source()) ?? null);
  const readings = computed((): CurveReading[] => {
    const [p, m, x] = [picture(), model.value, at.value];
    if (!p || !m || x === null) return [];
    return p.curves.map(({ name, colour, pane }) => {
      const plain = m.table.number(name)(x);
      // A double that is none says nothing of the function: 1/x at 0 has no value, e^800 is too large to be written.
      const value = Number.isFinite(plain) ? plain : core.value!.valueOrWhy(m, name, rationalOfDouble(x));
      const hasValue = typeof value === "number";
      const rect = rects.value[pane];
      const y = rect && hasValue ? toY(p, pane, rect, value) : null;
      const isInSight = y !== null && y >= rect!.top - 1 && y <= rect!.top + rect!.height + 1;
      const text = hasValue ? formatQuantity(value, m.functions.get(name)?.unit ?? null) : value;
      return { name, colour, text, y: isInSight ? y : null };
    });
  });
  const x = computed(() => {
    const [p, first] = [picture(), rects.value[0]];
    return p && first && at.value !== null ? toX(p, first, at.value) : null;
  });
  const text = computed(() => {
    const p = picture();
    return p && at.value !== null ? `${p.variable} = ${formatInput(at.value, p.xUnit, 5)}` : "";
  });
  const spoken = computed(() =>
    at.value === null ? "" : `${text.value}: ${readings.value.map((r) => `${r.name} ${r.text}`).join(", ")}`,
  );
  return { x, text, readings, spoken };
}

/** The line that reads all curves off at one input; stops are places worth reading at, such as answers. */
export function useReadingLine(
  picture: () => Picture | null,
  source: () => CaseFile,
  rects: Readonly<Ref<readonly Rect[]>>,
) {
  const at = ref<number | null>(null);
  const stops = computed(() => [...new Set((picture()?.points ?? []).map((p) => p.x))].sort((a, b) => a - b));
  const isWhole = (): boolean => source().variables?.find((v) => v.name === picture()?.variable)?.whole === true;

  /** The input under a place, in pixels from the left of the graph; a stop near by catches it. */
  function inputAt(px: number): number | null {
    const [p, r] = [picture(), rects.value[0]];
    if (!p || !r || px < r.left - BESIDE || px > r.left + r.width + BESIDE) return null;
    const near = stops.value.find((s) => Math.abs(toX(p, r, s) - px) < CATCH);
    if (near !== undefined) return near;
    const input = p.x.min + ((px - r.left) / r.width) * (p.x.max - p.x.min);
    const pixel = (p.x.max - p.x.min) / r.width;
    if (isWhole() && pixel < 1.5) return Math.round(input);
    const digits = Math.ceil(Math.log10(Math.abs(input) / pixel + 1)) + 1;
    return Number(input.toPrecision(Math.max(3, digits)));
  }
  /** Moves by a step, or to the next stop. @param side  1 to the right, −1 to the left */
  function step(side: 1 | -1, toStop: boolean): void {
    const p = picture();
    if (!p) return;
    const width = p.x.max - p.x.min;
    const now = at.value ?? (side > 0 ? p.x.min : p.x.max);
    if (toStop) {
      // What is within rounding of where it stands is no other stop.
      const beyond = stops.value.filter((s) => (s - now) * side > width * 1e-9);
      at.value = (side > 0 ? beyond[0] : beyond.at(-1)) ?? now;
      return;
    }
    const whole = isWhole();
    const by = whole && width < 4000 ? Math.max(1, Math.round(width / STEPS)) : width / STEPS;
    const next = now + side * by;
    at.value = Math.min(p.x.max, Math.max(p.x.min, whole ? Math.round(next) : next));
  }
  /** The key of the answer it stands on, if it stands on one. */
  function answer(): string | null {
    const p = picture()?.points.find((q) => q.x === at.value && q.question !== null);
    return p ? `question:${p.question}` : null;
  }
  return { at, ...useReadings(picture, source, rects, at), inputAt, step, answer };
}
export type ReadingLineState = ReturnType<typeof useReadingLine>;
