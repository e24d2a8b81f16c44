import katex from "katex";

/** Mathematics as MathML, which browsers and office programs show by themselves. */
export function mathMarkup(latex: string, isDisplay: boolean): string {
  const set = katex.renderToString(latex, { output: "mathml", displayMode: isDisplay, throwOnError: false });
  return /<math[\s\S]*<\/math>/.exec(set)?.[0] ?? "";
}
