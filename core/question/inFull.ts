import type {
  Answered,
  Ask,
  BestFinding,
  Finding,
  GivenFinding,
  MeetFinding,
  ReachAnyFinding,
  ValueFinding,
} from "./finding";
import { isStopped, jumpsOf, setAsideOf, solutionsOf, stretchesOf, valueOf } from "./finding";

/** A finding of whatever kind with every field of the format page; those its kind does not have say nothing. */
export interface FullFinding extends Pick<Answered, "id" | "complete" | "open" | "secondWay" | "message"> {
  readonly ask: Ask;
  readonly status: Answered["status"] | "error";
  readonly isCut: boolean;
  readonly solutions: GivenFinding["solutions"];
  readonly wholeTies: BestFinding["wholeTies"];
  readonly setAside: MeetFinding["setAside"];
  readonly stretches: GivenFinding["stretches"];
  readonly searched: MeetFinding["searched"];
  readonly bound: { readonly value: number | null; readonly at: number | null } | null;
  readonly repeats: MeetFinding["repeats"];
  readonly value: number | null;
  readonly exactValue: string | null;
  readonly behaviour: MeetFinding["behaviour"];
  readonly gap: MeetFinding["gap"];
  readonly jumps: readonly number[];
  readonly estimate: ValueFinding["estimate"];
  readonly about: Answered["about"];
  readonly level: number | null;
  readonly levels: ReachAnyFinding["levels"] | null;
}

const NOBODY: Answered["about"] = { functions: [], variable: "", from: null, to: null, round: null };

export function inFull(f: Finding): FullFinding {
  const common = {
    id: f.id,
    ask: f.ask,
    complete: f.complete,
    message: f.message,
    solutions: solutionsOf(f),
    stretches: stretchesOf(f),
    setAside: setAsideOf(f),
    jumps: jumpsOf(f),
    value: valueOf(f),
    wholeTies: "wholeTies" in f ? f.wholeTies : null,
    searched: "searched" in f ? f.searched : null,
    bound: "bound" in f && f.bound ? { value: f.bound.value, at: f.bound.at } : null,
    repeats: "repeats" in f ? f.repeats : null,
    exactValue: "exactValue" in f ? f.exactValue : null,
    behaviour: "behaviour" in f ? f.behaviour : null,
    gap: "gap" in f ? f.gap : null,
    estimate: "estimate" in f ? f.estimate : null,
    level: "level" in f ? f.level : null,
    levels: "levels" in f ? f.levels : null,
  };
  if (!isStopped(f)) {
    const { status, open, secondWay, about } = f;
    return { ...common, status, isCut: false, open, secondWay, about };
  }
  const isCut = f.status === "cut";
  return { ...common, status: isCut ? "unsettled" : "error", isCut, open: [], secondWay: null, about: NOBODY };
}
