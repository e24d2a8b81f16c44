/** Why the database refused, as far as that can be told apart; null: something else. */
export type Cause = "full" | "read-only" | "closed" | "disk" | "busy" | "damaged" | null;

const CODES: Readonly<Record<string, Cause>> = {
  SQLITE_FULL: "full",
  ENOSPC: "full",
  SQLITE_READONLY: "read-only",
  SQLITE_CANTOPEN: "closed",
  SQLITE_IOERR: "disk",
  EROFS: "read-only",
  SQLITE_BUSY: "busy",
  SQLITE_LOCKED: "busy",
  SQLITE_CORRUPT: "damaged",
  SQLITE_NOTADB: "damaged",
};

/** Looks for a code the database knows through all causes of a failure. */
export function causeOf(failure: unknown): Cause {
  for (let e = failure, i = 0; e instanceof Error && i < 6; e = e.cause, i++) {
    const { code, rawCode, extendedCode } = e as { code?: unknown; rawCode?: unknown; extendedCode?: unknown };
    for (const c of [extendedCode, code, rawCode]) {
      const known = Object.keys(CODES).find(
        (name) => typeof c === "string" && (c === name || c.startsWith(`${name}_`)),
      );
      if (known) return CODES[known]!;
    }
  }
  return null;
}

export const CAUSES: Readonly<Record<Exclude<Cause, null>, { status: number; message: string }>> = {
  full: { status: 507, message: "The server's disk is full; the change is not kept there." },
  "read-only": {
    status: 503,
    message: "The server's cases can only be read at present; the change is not kept there.",
  },
  closed: { status: 503, message: "The server's file of cases cannot be opened; nothing was changed." },
  disk: { status: 503, message: "The server's disk failed; the change may not be kept there." },
  busy: { status: 503, message: "The server's cases are busy; try again in a moment." },
  damaged: {
    status: 500,
    message: "The server's file of cases is damaged; nothing was changed. A backup brings it back.",
  },
};
