export { shiftMarks, storyRuns, withMarks, type StoryRun } from "./marks";
export { roleOf, titleOfStory, withOffers, type Offered } from "./offered";
export { suggestions, type Suggestion } from "./suggest";
export { offersAt, type Offer, type OfferKind, type Offers } from "./complete";
export { paintLine, typesetLine, type Paint, type Stroke } from "./paint";
export { stepForm, type StepForm } from "./stepForm";
export { lineExamples, namedCalculation, type LineExamples } from "./examples";
export { limitPhrases, type LimitPhrase } from "./limits";
export { keyOfMark, likelyRole, markHint, nameMark, namesFor } from "./phrase";
export { pastedText, type Pasted } from "./pastedText";
export {
  caseWithFunction,
  freeFunctionName,
  ownerTurned,
  pieceAdded,
  piecesBegun,
  piecesTried,
  piecesWritten,
  stepTwin,
  type PiecesTried,
  type TypedPiece,
} from "./pieces";
