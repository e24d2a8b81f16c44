import type { H3Event } from "h3";
import { readCase } from "#shared/schemas/case";
import type { CaseFile } from "#core/model";
import { openDatabase } from "../db/client";
import { CaseStore } from "./caseStore";

const MONTH = 30 * 24 * 3600 * 1000;
let opened: Promise<CaseStore> | null = null;

async function open(): Promise<CaseStore> {
  const { db } = await openDatabase();
  const store = new CaseStore(db);
  await store.clearDeleted(Date.now() - MONTH);
  const storage = useStorage("assets:demo");
  const documents: CaseFile[] = [];
  // The first demo case is put in last, so that it lies on top of the shelf.
  for (const key of (await storage.getKeys())
    .filter((k) => k.endsWith(".pasear.json"))
    .sort((a, b) => Number(a.includes("lantern-stall")) - Number(b.includes("lantern-stall")) || a.localeCompare(b))) {
    const read = readCase(await storage.getItem(key));
    if (read.ok) documents.push(read.case);
    else console.error(`demo case ${key}: ${read.errors.map((e) => `${e.path}: ${e.message}`).join("; ")}`);
  }
  await store.loadDemo(documents);
  return store;
}

/**
 * The store of this server, opened and migrated when first asked for; a failed opening is tried again by the next
 * request.
 */
export function useCases(): Promise<CaseStore> {
  opened ??= open().catch((failure: unknown) => {
    opened = null;
    throw failure;
  });
  return opened;
}

/** Refuses a request in plain words; details go to the log, never to the page. */
export function refuse(status: number, message: string, data?: unknown): never {
  throw createError({
    statusCode: status,
    statusMessage:
      { 400: "Bad Request", 404: "Not Found", 409: "Conflict", 413: "Payload Too Large", 503: "Service Unavailable" }[
        status
      ] ?? "Error",
    message,
    data,
  });
}

export async function bodyCase(event: H3Event): Promise<{ document: CaseFile; revision: number | null }> {
  const body: unknown = await readBody(event).catch(() => refuse(400, "The request is not JSON."));
  if (typeof body !== "object" || body === null || Array.isArray(body) || !("case" in body))
    refuse(400, "The request needs a `case`.");
  const { case: document, revision, ...rest } = body as { case: unknown; revision?: unknown };
  const unknown = Object.keys(rest);
  if (unknown.length > 0) refuse(400, `The key \`${unknown[0]}\` is not known here.`);
  if (revision !== undefined && !(Number.isInteger(revision) && (revision as number) >= 1))
    refuse(400, "`revision` is a whole number from 1 on.");
  const read = readCase(document);
  if (!read.ok)
    refuse(400, read.errors.map((e) => `${e.path || "case"}: ${e.message}`).join(" "), { errors: read.errors });
  return { document: read.case, revision: (revision as number | undefined) ?? null };
}

export function caseId(event: H3Event): string {
  const id = getRouterParam(event, "id") ?? "";
  return /^[\w-]{1,64}$/.test(id) ? id : refuse(404, "There is no such case.");
}
