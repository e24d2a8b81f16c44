import { TestServer } from "../shared/testServer";

/** How often it is asked whether all demo cases are worked out, and how long that may take, in ms. */
const ASKED_EVERY = 200;
const AT_MOST = 120_000;

/**
 * Starts a server for the first time, once for all tests, and leaves what it has when all the demo cases are worked
 * out. @returns what takes it away again
 */
export default async function firstStart(): Promise<() => Promise<void>> {
  const first = new TestServer();
  await first.start();
  const until = Date.now() + AT_MOST;
  while ((await first.cases()).some((c) => c.summary === null)) {
    if (Date.now() > until) throw new Error("the demo cases were not worked out at the first start");
    await new Promise((resolve) => setTimeout(resolve, ASKED_EVERY));
  }
  await first.stop();
  process.env.PASEAR_BEGUN = first.file;
  return () => first.end();
}
