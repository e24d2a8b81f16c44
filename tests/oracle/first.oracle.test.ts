import { it } from "vitest";
import { holdClaims } from "./hold";

it(
  "no value contradicts any of many claims, and most questions are settled: the first half",
  () => holdClaims(0),
  600_000,
);
