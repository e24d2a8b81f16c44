import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { judged, type Phrase } from "./phrases.fixture";
import { understand } from ".";

const read = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`./fixtures/${name}.json`, import.meta.url), "utf8"));
const PHRASES = read("phrases") as readonly Phrase[];
const CONTEXTS = read("phrases-contexts") as Readonly<Record<string, CaseFile>>;

describe("lines as people type them", () => {
  it.each(PHRASES.map((p) => [p.id, p.context, p.text, p] as const))("%s in %s: %s", (_, context, text, phrase) => {
    const source = CONTEXTS[context]!;
    const got = understand(text, source);
    if (phrase.optional && got.kind === "refused") return;
    expect(judged(got, phrase.want, source)).toBeNull();
  });
});
