import base from "./vitest.config";

/** The tests that mutants of core/ are held against; the properties that take longest, and the oracle, are left out. */
export default {
  ...base,
  test: {
    ...base.test,
    include: ["core/{numeric,interval,solve,model,question,working,judging}/**/*.test.ts"],
    exclude: [
      "core/question/{retold,retoldParts,questions,working}.property.test.ts",
      "core/judging/steps.property.test.ts",
    ],
    // Each change of the code wants the modules anew.
    isolate: true,
    // Beside other work, and a mutant that never ends is ended by what changes the code.
    testTimeout: 900_000,
  },
};
