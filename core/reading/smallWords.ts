export const list = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/));

/** Words that end a noun: after "240 river lanterns" comes none of them. */
export const NO_NOUNS = list(
  `a an the of in on at for from by with without to into onto than as per each every apiece and or but nor while when
  if because so that which who whom whose where there here this these those it its they them their we us our he she
  his her him you your i is are was were be been being am do does did done has have had having can could will would
  shall should may might must not no only just about around nearly almost exactly already also still then now later
  ago away off up down out over under above below before after until till since during within between through across
  more fewer less most least many much such same other another both either neither all any some few several last next
  first second third this that today tomorrow yesterday tonight once twice altogether together apart left free extra
  further additional`,
);

/** Verbs of the stories of this trade, as they stand after what is counted. */
export const VERBS = list(
  `sell sells sold selling cost costs take takes took taken need needs needed make makes made making use uses used
  want wants wanted buy buys bought pay pays paid earn earns earned bring brings brought come comes came go goes went
  give gives gave get gets got keep keeps kept stay stays stayed rise rises rose fall falls fell grow grows grew drop
  drops dropped lose loses lost gain gains gained reach reaches reached hold holds held hire hires hired rent rents
  rented ask asks asked charge charges charged leave leaves left arrive arrives arrived start starts started begin
  begins began end ends ended last lasts lasted stand stands stood carry carries carried produce produces produced
  plan plans planned order orders ordered travel travels travelled ride rides rode drive drives drove run runs ran walk
  walks walked attend attends attended visit visits visited sign signs signed join joins joined register registers
  expect expects expected offer offers offered live lives lived work works worked decide decides yield yields fit fits
  require requires required contain contains provides provide says say said turn turns turned double doubles halve
  halves decline declines decay decays follow follows followed subscribe passed cover covers covered
  remain remains remained increase increases increased decrease decreases decreased cheaper dearer dear worth
  available possible ready`,
);

/** Words about a time, which no number counts: "240 last year". */
export const isNounEnd = (word: string): boolean => NO_NOUNS.has(word) || VERBS.has(word);
