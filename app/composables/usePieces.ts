import { resolve } from "#core/formula";
import { buildModel, type CaseFile, type FunctionRow } from "#core/model";
import {
  caseWithFunction,
  freeFunctionName,
  ownerTurned,
  pieceAdded,
  piecesBegun,
  piecesTried,
  piecesWritten,
  stepForm,
  stepTwin,
  type TypedPiece,
} from "#core/story";

/** A function by pieces while it is written, tried in the case as it would be. */
export function usePieces(source: () => CaseFile, edited: () => string | null) {
  const store = useCaseStore();
  const pieces = ref<readonly TypedPiece[]>([]);
  const name = ref("");
  const of = ref("");
  const before = computed(() => source().functions?.find((f) => f.name === edited()) ?? null);
  function begin(): void {
    const begun = piecesBegun(source(), before.value);
    name.value = before.value?.name ?? freeFunctionName(source());
    of.value = begun.of;
    pieces.value = begun.pieces;
  }

  const written = computed(() => piecesWritten(pieces.value));
  const row = computed((): FunctionRow => ({
    ...(before.value ?? {}),
    name: name.value.trim(),
    of: of.value,
    by: { kind: "pieces", pieces: written.value },
  }));
  const triedIn = computed(() => caseWithFunction(source(), row.value, edited()));
  const tried = computed(() => piecesTried(triedIn.value, row.value, pieces.value));
  const step = computed(() => stepForm(written.value, of.value));
  const names = computed(() => buildModel(triedIn.value).names);
  /** A formula that cannot be read. */
  const isBad = (text: string): boolean =>
    text.trim() !== "" && resolve(text, { ...names.value, variable: of.value }).expression === null;

  const put = (i: number, piece: TypedPiece) => (pieces.value = pieces.value.map((p, k) => (k === i ? piece : p)));
  const turn = (i: number, side: "low" | "high") => (pieces.value = ownerTurned(pieces.value, i, side));
  const add = () => (pieces.value = pieceAdded(pieces.value));
  const remove = (i: number) => (pieces.value = pieces.value.filter((_, k) => k !== i));
  const replaced = () => ({ row: row.value, before: before.value?.name ?? null });
  const keep = () => store.apply({ kind: "putFunction", ...replaced() });
  /** Keeps the pieces, and beside them the same written with unit steps. */
  function keepWithSteps(): void {
    if (step.value.ok)
      store.apply({ kind: "putTwin", ...replaced(), ...stepTwin(source(), row.value, step.value.text) });
  }
  return { pieces, name, of, before, begin, row, tried, step, isBad, put, turn, add, remove, keep, keepWithSteps };
}
