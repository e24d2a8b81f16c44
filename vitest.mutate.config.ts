import base from "./vitest.config";

/** The tests that mutants of core/ are held against: what takes long is left out or shortened, so figures are low. */
export default {
  ...base,
  test: {
    ...base.test,
    include: [
      "core/{solve,model,question,interval,numeric}/**/*.test.ts",
      // the rooms that stand on these: what they say and draw of an answer
      "core/entry/{understand,phrases}.test.ts",
      "core/{story,desk,edit,slips,graph}/*.test.ts",
      "tests/oracle/*.oracle.test.ts",
    ],
    exclude: ["core/question/retold*.property.test.ts", "core/story/{keeping.property,typing}.test.ts"],
    // Each change of the code wants the modules anew.
    isolate: true,
    // Beside other work, and a mutant that never ends is ended by what changes the code.
    testTimeout: 900_000,
    env: { PASEAR_CLAIMS: "150" },
  },
};
