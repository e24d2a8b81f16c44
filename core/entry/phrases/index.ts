import type { PhraseReader } from "./reader";
import { breakEven, compared, meeting, money } from "./sides";
import { ground, growth, rate, total, average } from "./change";
import { perPiece, extreme } from "./best";
import { zeros, where, within, reaching, value } from "./levels";

/** All sorts of phrases, in the order in which they are tried. */
export const PHRASE_READERS: readonly PhraseReader[] = [
  breakEven,
  compared,
  meeting,
  money,
  ground,
  growth,
  rate,
  perPiece,
  zeros,
  total,
  average,
  extreme,
  within,
  where,
  reaching,
  value,
];
