const DIGITS = "⁰¹²³⁴⁵⁶⁷⁸⁹";

/** A whole number as an exponent is written: 16 is ¹⁶, −7 is ⁻⁷. */
export const raised = (n: number): string =>
  String(n)
    .replace("-", "⁻")
    .replace(/\d/g, (digit) => DIGITS[Number(digit)]!);

/** The number that a raised one says. */
export const lowered = (text: string): number =>
  Number([...text].map((c) => (c === "⁻" ? "-" : String(DIGITS.indexOf(c)))).join(""));
