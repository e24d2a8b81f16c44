import { analyse, sentenceOf } from "#core/question";
import { extent, familyText, familyValue, plain, rankModels, suggestSplit, type RankedModel } from "#core/fit";
import { fittedForm, functionsOf, type CaseFile, type FitBy } from "#core/model";
import { thinnedRows } from "#core/graph";
import { readTable } from "#core/data";
import { BEYOND } from "~/utils/dataFrame";
import { cellsOfFile, cellsOfText } from "~/utils/tableFiles";
import type { DataReply, DataRequest, RankedCard, RoundingLine } from "./dataProtocol";

const send = (reply: DataReply) => self.postMessage(reply);
/** Points a curve is drawn from. */
const POINTS = 240;

function card(
  m: RankedModel,
  x: readonly number[],
  y: readonly number[],
  variable: string,
  own: string | null,
): RankedCard {
  const by: FitBy = {
    kind: "fit",
    data: "",
    x: variable,
    y: "",
    model: m.family,
    ...(m.method === "logs" ? { method: "logs" } : {}),
    ...(m.family === "own" ? { text: own ?? "" } : {}),
  };
  const { fit } = m;
  if (!fit)
    return {
      family: m.family,
      method: m.method,
      reason: m.reason,
      place: null,
      tied: false,
      latex: "",
      text: "",
      constants: [],
      n: 0,
      rss: 0,
      r2: null,
      residualSd: null,
      aicc: null,
      leaveOneOut: null,
      beyond: [],
      fewRuns: false,
      curve: [],
      residuals: [],
      rounded: [],
    };
  const form = fittedForm(by, fit, variable);
  const [lo, hi] = extent(x);
  // Past the next mark of the axis, which ends the frame.
  const end = hi + (hi - lo || 1) * (BEYOND + 0.3);
  const curve: number[] = [];
  for (let i = 0; i <= POINTS; i++) {
    const at = lo + ((end - lo) * i) / POINTS;
    const v = fit.value(at);
    if (Number.isFinite(v)) curve.push(at, v);
  }
  const p = fit.constants.map((c) => c.value);
  const family = m.family === "own" ? null : m.family;
  const rounded =
    family === null
      ? []
      : [2, 3, 4, 5, 6, 8].map((digits) => {
          const q = p.map((v) => Number(v.toPrecision(digits)));
          return {
            digits,
            text: familyText(family, p, variable, digits),
            off: x.reduce((most, v) => Math.max(most, Math.abs(familyValue(family, q, v) - fit.value(v))), 0),
          };
        });
  return {
    family: m.family,
    method: m.method,
    reason: null,
    place: m.place,
    tied: m.tied,
    latex: form.latex,
    text: form.text,
    constants: fit.constants,
    n: fit.n,
    rss: fit.rss,
    r2: fit.r2,
    residualSd: fit.residualSd,
    aicc: fit.aicc,
    leaveOneOut: fit.leaveOneOut,
    beyond: m.beyond,
    fewRuns: m.fewRuns,
    curve,
    residuals: thinnedRows(
      x,
      x.map((v, i) => y[i]! - fit.value(v)),
    ).flat(),
    rounded,
  };
}

/** The answers of a case with a fitted function's constants rounded, beside those with all digits. */
function roundingLines(source: CaseFile, name: string, digits: number): RoundingLine[] {
  const full = analyse(source);
  const fit = full.model.fits.get(name);
  const row = source.functions?.find((f) => f.name === name);
  if (!fit || !row) return [];
  const p = fit.fit.constants.map((c) => c.value);
  const own = () =>
    (fit.by.text ?? "").replace(/\p{L}[\p{L}\p{Nd}_]*/gu, (word) => {
      const c = fit.fit.constants.find((k) => k.name === word);
      return c ? `(${plain(c.value, digits)})` : word;
    });
  const text = fit.by.model === "own" ? own() : familyText(fit.by.model, p, row.of, digits);
  const rounded = analyse({
    ...source,
    functions: source.functions!.map((f) => (f.name === name ? { ...f, by: { kind: "formula", text } } : f)),
  });
  return full.findings.flatMap((f, i) => {
    const r = rounded.findings[i];
    const says = [sentenceOf(f, full.model), r ? sentenceOf(r, rounded.model) : ""].map((s) =>
      s.replace(/, (?:inside the data|[^,]* (?:beyond the last|before the first) row)/, ""),
    );
    const asked = source.questions?.find((q) => q.id === f.id);
    return asked && functionsOf(asked).some((g) => g === name || uses(full.model.functions, g, name))
      ? [{ id: f.id, full: says[0]!, rounded: says[1]! }]
      : [];
  });
}
function uses(functions: ReadonlyMap<string, { uses: readonly string[] }>, from: string, name: string): boolean {
  const f = functions.get(from);
  return f !== undefined && (f.uses.includes(name) || f.uses.some((u) => u !== from && uses(functions, u, name)));
}

async function answer(data: DataRequest): Promise<DataReply> {
  const { job } = data;
  if (data.kind === "read") {
    const cells = data.file ? await cellsOfFile(data.file) : cellsOfText(data.text ?? "");
    return { kind: "read", job, result: readTable(cells, (done, all) => send({ kind: "progress", job, done, all })) };
  }
  if (data.kind === "rounding")
    return { kind: "rounding", job, lines: roundingLines(data.source, data.name, data.digits) };
  const start = performance.now();
  const givens = new Map(
    data.givens.map(([name, value]) => [
      name,
      analyse({ format: "pasear-case", version: 1, title: "", givens: [{ name, value }] }).model.givens.get(name)!,
    ]),
  );
  const own = data.own
    ? { text: data.own, names: { variable: data.variable, givens, functions: new Map(), variables: new Set<string>() } }
    : undefined;
  const ranked = rankModels(data.x, data.y, {
    context: data.context,
    own,
    progress: (done, all) => send({ kind: "progress", job, done, all }),
  });
  const smooth = ranked.filter((m) => m.fit).map((m) => ({ rss: m.fit!.rss, constants: m.fit!.constants.length }));
  const weigh = (m: { rss: number; constants: number }) =>
    data.x.length * Math.log(Math.max(m.rss, 1e-300)) + m.constants * Math.log(data.x.length);
  const best = smooth.reduce<(typeof smooth)[number] | null>((b, m) => (b && weigh(b) <= weigh(m) ? b : m), null);
  return {
    kind: "rank",
    job,
    cards: ranked.map((m) => card(m, data.x, data.y, data.variable, data.own)),
    split: suggestSplit(data.x, data.y, best),
    ms: performance.now() - start,
  };
}

self.onmessage = ({ data }: MessageEvent<DataRequest>) => {
  answer(data).then(send, (failure: unknown) =>
    send({ kind: "failed", job: data.job, message: failure instanceof Error ? failure.message : String(failure) }),
  );
};
