import { it } from "vitest";
import { holdClaims } from "./hold";

it(
  "no value contradicts any of many claims, and most questions are settled: the second half",
  () => holdClaims(1),
  600_000,
);
