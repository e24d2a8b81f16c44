import type { CaseFile } from "#core/model";
import { differingParts, same } from "#core/merge";
import { keptCaseSchema } from "#shared/schemas/wire";
import { RequestFailure, caseApi, statusOf, type KeptCase as Kept } from "~/utils/caseApi";
import { deskCore, deskCoreAtHand } from "~/utils/deskCore";
import type { HeldEdits } from "~/utils/held";
import type { Keeping } from "~/utils/keeping";
import { OtherTabs } from "~/utils/otherTabs";
import { shareParts } from "~/utils/share";

/** Changes are sent this long after the last one, in ms. */
const SEND_AFTER = 500;
/** How often a server that is away is tried again, in ms. */
const RETRY_AFTER = 2000;

/**
 * How the open case is kept: what was changed is held in the browser until the server has it, and what was changed
 * elsewhere is taken in. Whoever changes `document` says so by `touched`.
 */
export class CaseKeeper {
  readonly id = ref<string | null>(null);
  readonly document = shallowRef<CaseFile | null>(null);
  readonly revision = ref(0);
  readonly keeping = shallowRef<Keeping>({ state: "kept", at: null });
  /** what came in from elsewhere last, part by part */
  readonly arrived = shallowRef<readonly string[]>([]);
  /** the case as the server had it when the changes made here began; null: not known */
  private base: CaseFile | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> | null = null;
  private isDirty = false;
  /** what is not kept yet is held in the browser too */
  private isHeld = true;
  private readonly otherTabs = new OtherTabs((theirs) => this.hear(theirs));

  /** @param onOpened  called when another document stands here than before, by `open` */
  constructor(
    private readonly edits: HeldEdits,
    private readonly onOpened: () => void,
  ) {}

  /** Leaving the page now would lose what was typed. */
  isAtRisk(): boolean {
    return this.isDirty && !this.isHeld;
  }

  /**
   * Opens a case; edits that were held while the server was away are put back and sent, or both versions are offered.
   */
  async open(caseId: string): Promise<void> {
    if (caseId !== this.id.value) await this.leave();
    clearTimeout(this.timer);
    let kept: Kept;
    let keptAt: number | null;
    const mine = await this.edits.take(caseId);
    try {
      ({ of: kept, keptAt } = await caseApi.read(caseId));
    } catch (failure) {
      if (!mine || statusOf(failure)) throw failure;
      const { document, revision, at } = mine;
      this.show({ id: caseId, title: document.title, revision, updatedAt: at, case: document });
      this.base = mine.base;
      this.isDirty = true;
      this.away(null);
      return;
    }
    this.show(kept);
    if (!mine || same(mine.document, kept.case)) {
      this.release();
      if (keptAt !== null) this.away(null);
      return;
    }
    this.document.value = mine.document;
    this.isDirty = true;
    if (mine.revision === kept.revision) {
      this.schedule(0);
      return;
    }
    this.revision.value = mine.revision;
    this.base = mine.base;
    await this.join(kept);
  }

  /** Sends what is not sent yet of a case that gives way to another; what is on its way has its answer first. */
  private async leave(): Promise<void> {
    await this.sending;
    this.flush();
  }

  /** The document was changed here. */
  touched(): void {
    this.isDirty = true;
    this.hold();
    const { state } = this.keeping.value;
    if (state === "stale" || state === "gone") return;
    if (state !== "away") this.keeping.value = { state: "waiting" };
    this.schedule(SEND_AFTER);
  }
  /** Sends what is not sent yet, at once; when the page is hidden or left. */
  flush(): void {
    clearTimeout(this.timer);
    const { state } = this.keeping.value;
    if (this.isDirty && this.document.value && state !== "stale" && state !== "gone") void this.send();
  }
  /** Looks whether the case was changed elsewhere; when somebody comes back to the page. */
  async lookAgain(): Promise<void> {
    const caseId = this.id.value;
    const { state } = this.keeping.value;
    if (!caseId || (state !== "kept" && state !== "away")) return;
    try {
      const { of: theirs, keptAt } = await caseApi.read(caseId);
      if (this.id.value !== caseId || this.isDirty) return;
      if (keptAt !== null) this.away(null);
      else if (theirs.revision > this.revision.value) await this.join(theirs);
      else this.keeping.value = { state: "kept", at: theirs.updatedAt };
    } catch (failure) {
      if (this.id.value !== caseId) return;
      if (statusOf(failure) === 404) this.keeping.value = { state: "gone" };
      else if (state === "away") this.away(null);
    }
  }

  /**
   * Where both versions changed the same part: keeps mine there, or takes theirs; what only one changed stays.
   * @returns the document as it was before, and as it is now; null where nothing was asked
   */
  choose(prefer: "mine" | "theirs"): { readonly before: CaseFile; readonly after: CaseFile } | null {
    const before = this.document.value;
    if (this.keeping.value.state !== "stale" || !before) return null;
    const { theirs } = this.keeping.value;
    const whole = prefer === "mine" ? before : theirs.case;
    // Both versions were held against each other when they were joined.
    const { mergeCases } = deskCoreAtHand();
    this.settleOn(this.base ? mergeCases(this.base, before, theirs.case, prefer).merged : whole, theirs);
    return { before, after: this.document.value! };
  }
  /** The case was deleted elsewhere: brings it back with what is on the screen. */
  async bringBack(): Promise<void> {
    if (this.keeping.value.state !== "gone" || !this.id.value) return;
    try {
      const kept = await caseApi.restore(this.id.value);
      this.revision.value = kept.revision;
      this.keeping.value = { state: "waiting" };
      this.isDirty = true;
      this.schedule(0);
    } catch {
      /* it stays gone; the page still says so */
    }
  }

  private show(kept: Kept): void {
    this.id.value = kept.id;
    this.document.value = kept.case;
    this.onOpened();
    this.isKept(kept);
  }
  private isKept({ revision, case: theirs, updatedAt }: Kept): void {
    this.revision.value = revision;
    this.base = theirs;
    this.isDirty = false;
    this.keeping.value = { state: "kept", at: updatedAt };
  }
  private hold(): void {
    const [id, document] = [this.id.value, this.document.value];
    if (!id || !document) return;
    this.isHeld = this.edits.hold(id, { document, revision: this.revision.value, at: Date.now(), base: this.base });
  }
  private release(): void {
    if (this.id.value) this.edits.release(this.id.value);
    this.isHeld = true;
  }

  /** Takes in what was changed elsewhere; where both changed the same part, the person is asked. */
  private async join(theirs: Kept): Promise<void> {
    const revision = this.revision.value;
    const core = await deskCore();
    if (this.id.value !== theirs.id) return;
    if (!core) {
      this.away(null);
      return;
    }
    // Another version was taken in meanwhile: this one is looked at again.
    if (this.revision.value !== revision) {
      this.hear(theirs);
      return;
    }
    const mine = this.document.value!;
    const { merged, clashes } = this.base
      ? core.mergeCases(this.base, mine, theirs.case)
      : { merged: mine, clashes: differingParts(mine, theirs.case) };
    if (clashes.length > 0) {
      this.keeping.value = { state: "stale", theirs, clashes };
      return;
    }
    const parts = differingParts(mine, merged);
    if (parts.length > 0) this.arrived.value = parts;
    this.settleOn(merged, theirs);
  }
  /** Goes on from their version with this document, which is sent where it says more than theirs. */
  private settleOn(merged: CaseFile, theirs: Kept): void {
    this.document.value = shareParts(this.document.value, merged);
    this.isKept(theirs);
    if (same(theirs.case, merged)) {
      this.release();
      return;
    }
    this.isDirty = true;
    this.hold();
    this.keeping.value = { state: "waiting" };
    this.schedule(0);
  }
  /** Another tab kept this case, or it was looked up anew; what is on its way has its answer first. */
  private hear(theirs: Kept): void {
    if (this.sending) void this.sending.then(() => this.hear(theirs));
    else if (
      theirs.id === this.id.value &&
      theirs.revision > this.revision.value &&
      this.keeping.value.state !== "gone"
    )
      void this.join(theirs);
  }

  private schedule(after: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void (this.isDirty ? this.send() : this.lookAgain()), after);
  }
  private away(why: string | null): void {
    const before = this.keeping.value;
    const since = before.state === "away" ? before.since : Date.now();
    this.keeping.value = { state: "away", since, why, isHeld: this.isHeld };
    this.schedule(RETRY_AFTER);
  }
  private async send(): Promise<void> {
    if (this.sending) {
      await this.sending;
      if (this.isDirty && this.keeping.value.state !== "stale") this.schedule(0);
      return;
    }
    if (!this.isDirty || !this.id.value || !this.document.value) return;
    this.sending = this.put(this.id.value, this.document.value).finally(() => {
      this.sending = null;
    });
    await this.sending;
  }
  private async put(caseId: string, sent: CaseFile): Promise<void> {
    if (this.keeping.value.state !== "away") this.keeping.value = { state: "sending" };
    try {
      const answer = await caseApi.write(caseId, this.revision.value, sent);
      if (this.id.value === caseId) this.wasKept({ ...answer, case: sent });
      else this.edits.release(caseId);
    } catch (failure) {
      if (this.id.value === caseId) await this.wasNotKept(failure);
    }
  }
  private wasKept(kept: Kept): void {
    this.otherTabs.tell(kept);
    const isAll = this.document.value === kept.case;
    this.isKept(kept);
    if (isAll) this.release();
    else this.touched();
  }
  private async wasNotKept(failure: unknown): Promise<void> {
    const status = statusOf(failure);
    const theirs = failure instanceof RequestFailure ? keptCaseSchema.safeParse(failure.data).data : undefined;
    if (status === 409 && theirs) await this.join(theirs);
    else if (status === 404) this.keeping.value = { state: "gone" };
    else if (status && status < 500) this.keeping.value = { state: "refused", message: (failure as Error).message };
    else this.away(status ? (failure as Error).message : null);
  }
}
