import { freshId } from "../entry";
import { picture, type Picture } from "../graph";
import { buildModel, type CaseFile, type Ends, type FunctionRow, type PieceRow, type Question } from "../model";
import { analyse } from "../question";

/** A piece as it is typed: its formula, its ends, and whether it owns them. */
export interface TypedPiece {
  readonly text: string;
  readonly from: string;
  readonly to: string;
  readonly low: boolean;
  readonly high: boolean;
}
/** What is known of pieces while they are written. */
export interface PiecesTried {
  readonly problems: readonly string[];
  readonly notes: readonly string[];
  /** null as long as there are problems */
  readonly picture: Picture | null;
}

const NAMES = ["v", "f", "g", "h", "u", "w"] as const;
const EMPTY: TypedPiece = { text: "", from: "", to: "", low: true, high: true };

/** The pieces a function is begun with: its own, its formula as the only one, or two over the range of a variable. */
export function piecesBegun(source: CaseFile, edited: FunctionRow | null): { of: string; pieces: TypedPiece[] } {
  const of = edited?.of ?? source.variables?.[0]?.name ?? "x";
  if (edited?.by.kind === "pieces") return { of, pieces: edited.by.pieces.map(typed) };
  if (edited?.by.kind === "formula") return { of, pieces: [typed({ text: edited.by.text })] };
  const v = source.variables?.find((r) => r.name === of);
  const ends = typed({ text: "", from: v?.from, to: v?.to });
  return {
    of,
    pieces: [
      { ...EMPTY, from: ends.from },
      { ...EMPTY, to: ends.to },
    ],
  };
}
/** A name that nothing has yet. */
export function freeFunctionName(source: CaseFile): string {
  const { functions = [], givens = [], variables = [] } = source;
  const taken = new Set([...functions, ...givens, ...variables].map((r) => r.name));
  return NAMES.find((n) => !taken.has(n)) ?? "f_2";
}
function typed({ text, from, to, ends = "[]" }: PieceRow): TypedPiece {
  return {
    text,
    from: from === undefined ? "" : String(from),
    to: to === undefined ? "" : String(to),
    low: ends.startsWith("["),
    high: ends.endsWith("]"),
  };
}

const endOf = (text: string): number | string => (/^-?\d+(?:\.\d+)?$/.test(text.trim()) ? Number(text) : text.trim());
/** The pieces as the case keeps them; an end that is left empty is left out. */
export const piecesWritten = (pieces: readonly TypedPiece[]): PieceRow[] =>
  pieces.map(({ text, from, to, low, high }) => ({
    text: text.trim(),
    ...(from.trim() === "" ? {} : { from: endOf(from) }),
    ...(to.trim() === "" ? {} : { to: endOf(to) }),
    ...(low && high ? {} : { ends: `${low ? "[" : "("}${high ? "]" : ")"}` as Ends }),
  }));

/** One piece more, from where the last ends; what it begins with is its own. */
export function pieceAdded(pieces: readonly TypedPiece[]): TypedPiece[] {
  const last = pieces.at(-1);
  if (!last) return [EMPTY];
  return [...pieces.slice(0, -1), { ...last, high: last.high && last.to === "" }, { ...EMPTY, from: last.to }];
}
/** A break has one owner: giving it to one side takes it from the other. */
export function ownerTurned(pieces: readonly TypedPiece[], i: number, side: "low" | "high"): TypedPiece[] {
  const turned = { ...pieces[i]!, [side]: !pieces[i]![side] };
  const at = (k: number) => (k === i ? turned : pieces[k]!);
  return pieces.map((p, k) => {
    if (k === i) return turned;
    if (side === "low" && k === i - 1 && p.to.trim() === at(i).from.trim()) return { ...p, high: !turned.low };
    if (side === "high" && k === i + 1 && p.from.trim() === at(i).to.trim()) return { ...p, low: !turned.high };
    return p;
  });
}

/** The case with a function as it is written now, in the place of the one that is changed, and without questions. */
export function caseWithFunction(source: CaseFile, row: FunctionRow, edited: string | null): CaseFile {
  const functions = source.functions ?? [];
  const isThere = functions.some((f) => f.name === edited);
  return {
    ...source,
    functions: isThere ? functions.map((f) => (f.name === edited ? row : f)) : [...functions, row],
    questions: [],
  };
}
/** What is wrong with the pieces of a function, what is worth noting, and how they look. */
export function piecesTried(tried: CaseFile, row: FunctionRow, pieces: readonly TypedPiece[]): PiecesTried {
  const problems = problemsOf(tried, row, pieces);
  if (problems.length > 0) return { problems, notes: [], picture: null };
  const functions = tried.functions!.map((f) => ({ ...f, shown: f === row }));
  return {
    problems,
    notes: buildModel(tried)
      .warnings.filter(isAbout(tried, row))
      .map((w) => w.message),
    picture: picture(analyse({ ...tried, functions }), { variable: row.of }),
  };
}
const isAbout =
  (tried: CaseFile, row: FunctionRow) =>
  ({ path }: { readonly path: string }): boolean =>
    path.startsWith(`functions[${tried.functions!.indexOf(row)}]`);
function problemsOf(tried: CaseFile, row: FunctionRow, pieces: readonly TypedPiece[]): string[] {
  if (pieces.length === 0) return ["Add a piece."];
  const empty = pieces.findIndex((p) => p.text.trim() === "");
  if (empty >= 0) return [`Piece ${empty + 1} has no formula yet.`];
  const errors = buildModel(tried).errors.filter(isAbout(tried, row));
  return [...new Set(errors.map((e) => e.message))];
}

/** The same function once more, written with unit steps, and the question that holds both against each other. */
export function stepTwin(source: CaseFile, row: FunctionRow, text: string): { twin: FunctionRow; question: Question } {
  const taken = new Set((source.functions ?? []).map((f) => f.name));
  const name = [`${row.name}_s`, `${row.name}_step`].find((n) => !taken.has(n)) ?? `${row.name}_s2`;
  const twin: FunctionRow = {
    name,
    of: row.of,
    ...(row.unit ? { unit: row.unit } : {}),
    label: `${row.name} with unit steps`,
    by: { kind: "formula", text },
  };
  return { twin, question: { id: freshId(source), ask: "meet", functions: [row.name, name] } };
}
