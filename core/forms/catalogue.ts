import type { Form } from "./form";
import { MONEY_FORMS } from "./moneyForms";
import { TRADE_FORMS } from "./tradeForms";

export type { Form } from "./form";

/** All forms, grouped. Example values are in the world of the Lantern Walk; every letter can be changed on the Desk. */
export const FORMS: readonly Form[] = [...MONEY_FORMS, ...TRADE_FORMS];

/** Growth told three ways: each turned into the others. Rates and factors per period; a factor must be above 0. */
export const growth = {
  factorOfRate: (rate: number): number => 1 + rate,
  rateOfFactor: (factor: number): number => factor - 1,
  exponentOfFactor: (factor: number): number => Math.log(factor),
  factorOfExponent: (exponent: number): number => Math.exp(exponent),
  exponentOfRate: (rate: number): number => Math.log1p(rate),
  rateOfExponent: (exponent: number): number => Math.expm1(exponent),
};
