// What test files see as "vitest" while mutants are tried: the same expectations, and tests that are put into a list,
// so that any one of them can be run by itself, as often as wanted, in one process.
import {
  ASYMMETRIC_MATCHERS_OBJECT,
  JestAsymmetricMatchers,
  JestChaiExpect,
  JestExtend,
  addCustomEqualityTesters,
  chai,
  customMatchers,
  getState,
  setState,
} from "@vitest/expect";

for (const plugin of [JestExtend, JestChaiExpect, JestAsymmetricMatchers]) chai.use(plugin);

function madeExpect() {
  const expect = (value, message) => chai.expect(value, message);
  Object.assign(expect, chai.expect, globalThis[ASYMMETRIC_MATCHERS_OBJECT]);
  expect.getState = () => getState(expect);
  expect.setState = (state) => setState(state, expect);
  expect.extend = (matchers) => chai.expect.extend(expect, matchers);
  expect.addEqualityTesters = (testers) => addCustomEqualityTesters(testers);
  setState({ assertionCalls: 0, currentTestName: "" }, expect);
  expect.extend(customMatchers);
  return expect;
}

/** Rows that are lists are spread over the arguments, as the library does. */
const spread = (row) => (Array.isArray(row) ? row : [row]);

/** A collector of tests: `api` is what test files import, `list` what they made: `{ id, work }`. */
export function collector() {
  const list = [];
  let file = "";
  let groups = [];
  let made = 0;
  const it = (name, ...rest) => {
    const work = rest.find((r) => typeof r === "function");
    list.push({ id: [file, ...groups, name, made++].join(" › "), work });
  };
  const describe = (name, ...rest) => {
    const body = rest.find((r) => typeof r === "function");
    groups = [...groups, name];
    body();
    groups = groups.slice(0, -1);
  };
  const each = (one) => (rows) => (name, work) => {
    for (const row of rows) one(name, () => work(...spread(row)));
  };
  it.each = each(it);
  describe.each = each(describe);
  const api = { describe, it, test: it, expect: madeExpect() };
  return {
    api,
    list,
    /** The tests of one file, which `load` makes by being called. */
    collect(name, load) {
      file = name;
      groups = [];
      made = 0;
      load();
    },
  };
}
