import { bare } from "../numeric";
/** Commands that stand for a sign, a name or nothing. */
const SIGNS = bare<string>({
  cdot: "*",
  times: "*",
  div: "/",
  le: "<=",
  leq: "<=",
  leqslant: "<=",
  ge: ">=",
  geq: ">=",
  geqslant: ">=",
  lt: "<",
  gt: ">",
  pm: "±",
  approx: "≈",
  Rightarrow: "⇒",
  implies: "⇒",
  iff: "⇔",
  pi: "pi",
  infty: "∞",
  in: "∈",
  to: "to",
  ldots: "…",
  dots: "…",
  left: "",
  right: "",
  big: "",
  Big: "",
  displaystyle: "",
  quad: " ",
  qquad: " ",
});
const SPACING = /\\[,;:! ]/g;

/** LaTeX of a line of school mathematics as it would be typed; what it does not know keeps its name. */
export function latexToPlain(latex: string): string {
  let t = latex.trim().replace(/^\\?[[(]|\\[\])]$/g, (m) => (m.startsWith("\\") ? "" : m));
  if (/^\$.*\$$/.test(t)) t = t.slice(1, -1);
  t = t.replace(/\\begin\{(?:cases|array)\}(?:\{[^}]*\})?/g, "{").replace(/\\end\{(?:cases|array)\}/g, "}");
  // Rows of cases are parted by two backslashes, their columns by an ampersand.
  t = t
    .replace(/\\\\(?!\s*$)/g, ";")
    .replace(/&/g, ",")
    .replace(SPACING, " ");
  t = t.replace(/\\(?:text|mathrm|operatorname|mathit)\s*\{([^{}]*)\}/g, " $1 ").replace(/\\([%$#&{}_])/g, "$1");
  t = groups(t);
  return t.replace(/\\([a-zA-Z]+)/g, (_, name: string) => SIGNS[name] ?? ` ${name}`).replace(/\s+/g, " ");
}

/** Commands with their groups: fractions, roots, powers, indices. */
function groups(text: string): string {
  let t = text;
  for (let again = true; again;) {
    const before = t;
    t = t
      .replace(/\\[dt]?frac\s*\{([^{}]*)\}\s*\{([^{}]*)\}/g, "(($1)/($2))")
      .replace(/\\[dt]?frac\s*(\d)\s*(\d)/g, "($1/$2)")
      .replace(/\\sqrt\s*\[([^\]]*)\]\s*\{([^{}]*)\}/g, " root($2, $1)")
      .replace(/\\sqrt\s*\{([^{}]*)\}/g, " sqrt($1)")
      .replace(/\^\s*\{([^{}]*)\}/g, "^($1)")
      .replace(/_\s*\{([\p{L}\p{Nd}]*)\}/gu, "$1");
    again = t !== before;
  }
  return t;
}
