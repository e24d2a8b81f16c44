import { inFull, type Finding, type FullFinding } from "#core/question";
import type { Question } from "#core/model";

/** What was asked, claimed and contradicted. */
export class Tally {
  claims = 0;
  /** findings that say they are not complete */
  open = 0;
  refused = 0;
  /** sentences, one for each contradiction, with all that is needed to see it again */
  readonly contradictions: string[] = [];
  /** faults of ours that a question reported */
  readonly faults: string[] = [];
  /** claims of which a second method says otherwise */
  readonly disagreements: string[] = [];
  readonly byKind: Record<string, { claims: number; open: number }> = {};
  /** processor time of each question, in ms: what else a machine does is no part of it */
  readonly times: number[] = [];

  /** Asks a question and holds what is claimed against plain values. @param check  why it is contradicted, or null */
  count(ask: () => Finding, q: Question, context: string, check: (f: FullFinding) => string | null): Finding {
    const before = process.cpuUsage();
    const f = ask();
    const { user, system } = process.cpuUsage(before);
    this.times.push((user + system) / 1000);
    if (f.status === "error") {
      this.refused++;
      if (/could not be worked out/.test(f.message ?? "")) this.faults.push(`${context} ${JSON.stringify(q)}`);
      return f;
    }
    const full = inFull(f);
    if (full.secondWay && !full.secondWay.agrees)
      this.disagreements.push(`${context} ${JSON.stringify(q)} ${JSON.stringify(full.secondWay)}`);
    if (this.claimed(q.ask, f.complete && f.status !== "unsettled"))
      this.note(check(full), () => `${context} ${JSON.stringify(q)}`);
    return f;
  }

  /** Counts a claim of a kind, or that nothing is claimed. @returns whether there is something to check */
  claimed(kind: string, isClaim: boolean): boolean {
    const counts = (this.byKind[kind] ??= { claims: 0, open: 0 });
    if (isClaim) {
      this.claims++;
      counts.claims++;
    } else {
      this.open++;
      counts.open++;
    }
    return isClaim;
  }

  /** Takes in what another counted. */
  add(other: Tally): void {
    this.claims += other.claims;
    this.open += other.open;
    this.refused += other.refused;
    for (const [kind, { claims, open }] of Object.entries(other.byKind)) {
      const counts = (this.byKind[kind] ??= { claims: 0, open: 0 });
      counts.claims += claims;
      counts.open += open;
    }
  }

  note(why: string | null, context: () => string): void {
    if (why !== null) this.contradictions.push(`${context()}: ${why}`);
  }
}
