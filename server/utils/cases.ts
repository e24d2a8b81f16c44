import { STATUS_CODES } from "node:http";
import type { H3Event } from "h3";
import { readCase } from "#shared/schemas/case";
import { TRASH_DAYS } from "#shared/schemas/wire";
import type { CaseFile, CaseProblem } from "#core/model";
import { openDatabase } from "../db/client";
import { CaseStore } from "./caseStore";

const DAY = 24 * 3600 * 1000;
let opened: Promise<CaseStore> | null = null;
/** Ends what belongs to the open store. */
let close: () => void = () => {};

async function open(): Promise<CaseStore> {
  const { databaseUrl, databaseToken, migrations } = useSettings();
  const { db, isReadOnly, close: closeDatabase } = await openDatabase(databaseUrl, migrations, databaseToken);
  const file = threadFile("summaryThread");
  const log = useLog();
  const failed = (failure: unknown) => log.warn({ err: failure }, "a summary ended");
  const summaries = file === null ? null : new Summaries(openSummaryThread(file), undefined, failed);
  close = () => {
    summaries?.end();
    closeDatabase();
  };
  const store = new CaseStore(db, summaries && ((id, document, done) => summaries.add(id, document, done)), isReadOnly);
  if (isReadOnly) return store;
  await store.clearDeleted(Date.now() - TRASH_DAYS * DAY);
  const storage = useStorage("assets:demo");
  const documents: CaseFile[] = [];
  // The first demo case is put in last, so that it lies on top of the shelf.
  for (const key of (await storage.getKeys())
    .filter((k) => k.endsWith(".pasear.json"))
    .sort((a, b) => Number(a.includes("lantern-stall")) - Number(b.includes("lantern-stall")) || a.localeCompare(b))) {
    const read = readCase(await storage.getItem(key));
    if (read.ok) documents.push(read.case);
    else log.error({ key, errors: read.errors }, "a demo case is none");
  }
  await store.loadDemo(documents);
  await store.summariseMissing();
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

/** Closes the store, if it was opened; the last thing a server does. */
export async function closeCases(): Promise<void> {
  await opened?.catch(() => null);
  opened = null;
  close();
}

/** An answer that refuses a request in plain words; details go to the log, never to the page. */
export const refusal = (status: number, message: string, data?: unknown): Error =>
  createError({ statusCode: status, statusMessage: STATUS_CODES[status] ?? "Error", message, data });

export function refuse(status: number, message: string, data?: unknown): never {
  throw refusal(status, message, data);
}

const ID = /^[\w-]{1,64}$/;

interface CaseBody {
  document: CaseFile;
  revision: number | null;
  id: string | null;
  /** the case that this one is another version of */
  of: string | null;
}
/** @param isNew  the case has no revision yet, may bring its id, and may be another version of one that is there */
export async function bodyCase(event: H3Event, { isNew = false } = {}): Promise<CaseBody> {
  const body = await readJson(event);
  if (typeof body !== "object" || body === null || Array.isArray(body) || !("case" in body))
    refuse(400, "The request needs a `case`.");
  const { case: document, revision, id, of } = objectOf(body, ["case", "revision", ...(isNew ? ["id", "of"] : [])]);
  if (revision !== undefined && !(Number.isInteger(revision) && (revision as number) >= 1))
    refuse(400, "`revision` is a whole number from 1 on.");
  const read = readCase(document);
  if (!read.ok) refuseCase(read.errors);
  const ids = { id: idOf(id, "id"), of: idOf(of, "of") };
  return { document: read.case, revision: (revision as number | undefined) ?? null, ...ids };
}
function idOf(given: unknown, key: string): string | null {
  if (given === undefined) return null;
  if (typeof given === "string" && ID.test(given)) return given;
  return refuse(400, `\`${key}\` is 1 to 64 letters, digits, \`-\` and \`_\`.`);
}
/** A body that is an object with no other keys than those that are known. */
export function objectOf(body: unknown, keys: readonly string[]): Readonly<Record<string, unknown>> {
  if (typeof body !== "object" || body === null || Array.isArray(body))
    return refuse(400, `The request is an object with ${keys.map((k) => `\`${k}\``).join(", ")}.`);
  const unknown = Object.keys(body).find((key) => !keys.includes(key));
  if (unknown !== undefined) refuse(400, `The key \`${unknown}\` is not known here.`);
  return body as Readonly<Record<string, unknown>>;
}

/** Errors told of one case; of a table with 200,000 wrong cells nobody reads all. */
const MOST_ERRORS = 50;
/** A case that is none, with what is wrong and where. */
export function refuseCase(errors: readonly CaseProblem[]): never {
  const told = errors.slice(0, MOST_ERRORS);
  const rest = errors.length - told.length;
  const sentences = told.map((e) => `${e.path || "case"}: ${e.message}`);
  refuse(400, [...sentences, ...(rest > 0 ? [`And ${rest} more.`] : [])].join(" "), { errors: told });
}

export function caseId(event: H3Event): string {
  const id = getRouterParam(event, "id") ?? "";
  return ID.test(id) ? id : refuse(404, "There is no such case.");
}

/** The revision that an address names. */
export function versionNumber(event: H3Event): number {
  const text = getRouterParam(event, "n") ?? "";
  return /^[1-9]\d{0,8}$/.test(text) ? Number(text) : refuse(404, "There is no such state of the case.");
}
