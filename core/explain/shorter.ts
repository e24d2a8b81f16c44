/** Digits a decision is told with. */
const DIGITS = 3;
/** A decimal number: thousands, decimals; not one raised to a power, nor a part of a name or a date. */
const DECIMAL = /(?<![\p{L}\d.,/^])([$€£]?)(\d[\d,]*)\.(\d+)(?![\p{L}\d/])/gu;

/**
 * A sentence with its decimals as somebody would say them: "after 11.8 years", "$1,235". What is whole or has one
 * decimal stays as it is, and so does an amount below a thousand, with its cents.
 */
export const shorter = (sentence: string): string =>
  sentence.replace(DECIMAL, (all, money: string, whole: string, decimals: string) => {
    const digits = whole.replaceAll(",", "") === "0" ? 0 : whole.replaceAll(",", "").length;
    if (money ? digits <= DIGITS : decimals.length < 2) return all;
    const value = Number(`${whole.replaceAll(",", "")}.${decimals}`);
    if (digits >= DIGITS) return money + Math.round(value).toLocaleString("en-US");
    const short = Number(value.toPrecision(DIGITS));
    return String(short).length < all.length
      ? money + short.toLocaleString("en-US", { maximumFractionDigits: 20 })
      : all;
  });
