import { describe } from "vitest";
import { holdClaims } from "./hold";

describe("many claims: the second half", () => holdClaims(1));
