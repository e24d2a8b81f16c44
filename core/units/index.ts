export { parseUnit, PLAIN, plural, singular, sameUnit, sameDimension, isPlain, times, raised, type Unit } from "./unit";
