import base from "./vitest.config";

/** The tests that mutants of core/ are held against: what takes long is left out or shortened, so figures are low. */
export default {
  ...base,
  test: {
    ...base.test,
    include: ["core/{solve,model,question,interval,numeric}/**/*.test.ts", "tests/oracle/*.oracle.test.ts"],
    exclude: ["core/question/retold.property.test.ts"],
    env: { PASEAR_CLAIMS: "150" },
  },
};
