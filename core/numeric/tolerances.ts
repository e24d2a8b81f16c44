/**
 * Tolerances of doubles that several rooms share. None decides anything that is called proven: they say where a tick
 * stands, which day is named, when a search stops.
 */

/** What is meant to be whole, a step or a day, is off by rounding of a few operations, and by no more than this. */
export const NEARLY_WHOLE = 1e-9;
/** Keeps a divisor or a logarithm away from 0; far below whatever is measured, far above where doubles lose digits. */
export const TINY = 1e-300;
