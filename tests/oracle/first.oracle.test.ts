import { describe } from "vitest";
import { holdClaims } from "./hold";

describe("many claims: the first half", () => holdClaims(0));
