import { createPinia, setActivePinia } from "pinia";
import { ref, shallowRef } from "vue";
import { afterEach, beforeEach, vi } from "vitest";
import type { CaseFile } from "#core/model";

// The store of the open case, against a server and a browser storage that are ours to break.
export class FakeServer {
  kept = {
    id: "a",
    title: "T",
    revision: 1,
    updatedAt: 5,
    case: { format: "pasear-case", version: 1, title: "T", givens: [{ name: "F", value: 1 }] } as CaseFile,
  };
  away = false;
  gone = false;
  full = false;
  writes = 0;
  readonly fetch = async (path: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.away) throw new TypeError("no answer");
    if (this.gone && !path.endsWith("/restore"))
      return Response.json({ message: "There is no such case." }, { status: 404 });
    if (path.endsWith("/restore")) {
      this.gone = false;
      return Response.json(this.kept);
    }
    if (init.method === "GET") return Response.json(path.endsWith("/b") ? { ...this.kept, id: "b" } : this.kept);
    const sent = JSON.parse(init.body!) as { case: CaseFile; revision: number };
    if (sent.revision !== this.kept.revision)
      return Response.json({ message: "stale", data: this.kept }, { status: 409 });
    if (sent.case.title === "") return Response.json({ message: "A case needs a title." }, { status: 422 });
    if (this.full) return Response.json({ message: "The server's disk is full." }, { status: 507 });
    this.writes++;
    this.kept = {
      ...this.kept,
      revision: this.kept.revision + 1,
      updatedAt: 6,
      case: sent.case,
      title: sent.case.title,
    };
    return Response.json(this.kept);
  };
}
/** Messages between the tabs of one browser; each arrives in all tabs but its own. */
export class FakeChannel {
  static open: FakeChannel[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor() {
    FakeChannel.open.push(this);
  }
  postMessage(data: unknown): void {
    const arrives = structuredClone(data);
    for (const tab of FakeChannel.open) if (tab !== this) queueMicrotask(() => tab.onmessage?.({ data: arrives }));
  }
}
/** The server, the browser's store, and whether that takes nothing more; begun anew for each test. */
export const world = { server: new FakeServer(), storage: new Map<string, string>(), isFull: false };
export const storeOf = (map: Map<string, string>) => ({
  getItem: (k: string) => map.get(k) ?? null,
  setItem: (k: string, v: string) => {
    if (world.isFull) throw new DOMException("full", "QuotaExceededError");
    map.set(k, v);
  },
  removeItem: (k: string) => map.delete(k),
  key: (i: number) => [...map.keys()][i] ?? null,
  get length() {
    return map.size;
  },
});
export type Store = Awaited<ReturnType<typeof openStore>>;
export async function openStore() {
  setActivePinia(createPinia());
  const { useCaseStore } = await import("~/stores/case");
  // To load a part of the page takes real time, which stands still here.
  const { deskCore } = await import("~/utils/deskCore");
  await deskCore();
  await import("#shared/schemas/case");
  return useCaseStore();
}
export const value = (store: Store) => store.document!.givens![0]!.value;
export const set = (store: Store, value: number) =>
  store.apply({ kind: "setGiven", name: "F", value }, `set F to ${value}`);
export const slide = (store: Store, value: number) => store.apply({ kind: "slideGiven", name: "F", value, in: "plan" });
export const later = (ms: number) => vi.advanceTimersByTimeAsync(ms);
/** Each test has a server, a browser and time of its own. */
export function inAWorld(): void {
  beforeEach(() => {
    vi.useFakeTimers();
    Object.assign(world, { server: new FakeServer(), storage: new Map(), isFull: false });
    FakeChannel.open = [];
    vi.stubGlobal("ref", ref);
    vi.stubGlobal("shallowRef", shallowRef);
    vi.stubGlobal("fetch", world.server.fetch);
    vi.stubGlobal("localStorage", storeOf(world.storage));
    vi.stubGlobal("sessionStorage", storeOf(new Map()));
    vi.stubGlobal("navigator", {});
    vi.stubGlobal("addEventListener", () => {});
    vi.stubGlobal("BroadcastChannel", FakeChannel);
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });
}
