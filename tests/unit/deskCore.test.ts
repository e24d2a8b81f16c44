import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { shallowRef } from "vue";

// What works with cases on the page comes after the first graph; here it cannot be had at first, then it can.
const isThere = () =>
  vi.doMock("../../app/utils/deskCoreParts", () => ({ interpret: (text: string) => text.toUpperCase() }));
const isAway = () =>
  vi.doMock("../../app/utils/deskCoreParts", () => {
    throw new TypeError("no answer");
  });
const opened = () => import("../../app/utils/deskCore");
const loud = (core: unknown) => (core as { interpret: (t: string) => string }).interpret("q");

describe("what works with cases", () => {
  beforeEach(() => {
    vi.resetModules();
    vi.stubGlobal("shallowRef", shallowRef);
    isThere();
  });
  afterEach(() => {
    vi.doUnmock("../../app/utils/deskCoreParts");
    vi.unstubAllGlobals();
  });

  it("is not there before it is asked for, and is used at once afterwards", async () => {
    const { deskCore, deskCoreAtHand, deskCoreNow, withDeskCore } = await opened();
    expect(deskCoreNow()).toBeNull();
    expect(deskCoreAtHand).toThrow();
    const late = withDeskCore(loud);
    expect(late).toBeInstanceOf(Promise);
    expect(await late).toBe("Q");
    expect(withDeskCore(loud)).toBe("Q");
    expect(deskCoreNow()).toBe(await deskCore());
    expect(deskCoreAtHand()).toBe(deskCoreNow());
  });
  it("where it cannot be had that is said, and it is asked for again", async () => {
    isAway();
    const { NO_DESK_CORE, deskCore, withDeskCore } = await opened();
    expect(await deskCore()).toBeNull();
    expect(await withDeskCore(loud)).toBe(NO_DESK_CORE);
    isThere();
    expect(await withDeskCore(loud)).toBe("Q");
  });
});
