import { expect, it } from "vitest";
import { shorter } from "./index";

it.each([
  ["A is $6,500 at t = 11.8036 years.", "A is $6,500 at t = 11.8 years."],
  ["P is greatest at 172.5 lanterns: $811.88.", "P is greatest at 172.5 lanterns: $811.88."],
  ["p is $8.25/lantern at 172.5 lanterns.", "p is $8.25/lantern at 172.5 lanterns."],
  ["R and C meet at 16.435 and 328.565 lanterns.", "R and C meet at 16.4 and 329 lanterns."],
  ["f is 0 at x = 4.", "f is 0 at x = 4."],
  ["N doubles in 0.0123456 weeks.", "N doubles in 0.0123 weeks."],
  ["A is $12,345,678.91.", "A is $12,345,679."],
  ["On 2031-01-06 there were 4,009 people.", "On 2031-01-06 there were 4,009 people."],
  ["f is 1.7 × 10^−28.", "f is 1.7 × 10^−28."],
  ["h is least at 0.5 m.", "h is least at 0.5 m."],
])("%s", (sentence, wanted) => expect(shorter(sentence)).toBe(wanted));
