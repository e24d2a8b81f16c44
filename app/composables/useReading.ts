import { useDebounceFn } from "@vueuse/core";
import type { Picture } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { Offer } from "#core/reading";
import { ReadingWorker } from "~/utils/readingWorker";

/** A change of the case is read again when it has been calm for this long, in ms. */
const CALM = 150;

const rowsOf = ({ givens, variables, functions, questions, plan }: CaseFile): number =>
  [givens, variables, functions, questions, plan?.constraints].reduce((sum, rows) => sum + (rows ?? []).length, 0);

/** What was read of a story. */
function useReadOffers(document: () => CaseFile) {
  const worker = new ReadingWorker();
  const offers = shallowRef<readonly Offer[]>([]);
  const notes = shallowRef<readonly string[]>([]);
  /** the graph as it would be with every offer taken */
  const picture = shallowRef<Picture | null>(null);
  const isReading = ref(false);
  const failure = ref<string | null>(null);
  let turn = 0;

  /** Reads the story as it is now. */
  async function read(): Promise<void> {
    const mine = ++turn;
    isReading.value = true;
    failure.value = null;
    try {
      const found = await worker.read(document());
      if (mine !== turn) return;
      [offers.value, notes.value] = [found.offers, found.notes];
      isReading.value = false;
      picture.value = found.offers.length > 0 ? await worker.draw(document(), found.offers) : null;
    } catch (problem) {
      if (mine !== turn) return;
      failure.value = problem instanceof Error ? problem.message : String(problem);
      isReading.value = false;
    }
  }
  const again = useDebounceFn(read, CALM);
  // Of what was taken some may be given back: by undo, or because it is deleted.
  watch(document, (now, before) => {
    const isLess = turn > 0 && rowsOf(now) < rowsOf(before);
    if (offers.value.length > 0 || isLess) void again();
  });
  // Functions made in the Data view, and nothing asked yet: what the story asks about them is offered on the desk.
  // Not while functions are written here: offers would come between two lines of somebody who is writing.
  onMounted(() => {
    const { story, functions = [], questions = [] } = document();
    if (story?.text.trim() && functions.length > 0 && questions.length === 0) void read();
  });
  onScopeDispose(() => worker.end());
  return { offers, notes, picture, isReading, failure, read };
}

/** What the story of the open case offers; the person takes it, changes it or leaves it. */
export function useReading(document: () => CaseFile) {
  const store = useCaseStore();
  const { offers, notes, picture, isReading, failure, read } = useReadOffers(document);
  /** offers are there, and stand back until they are asked for */
  const isPutOff = ref(false);
  /** the key of the offer that is pointed at */
  const pointed = ref<string | null>(null);

  /** A text that was pasted, or left after writing, is read; offers that were put off come forward again. */
  function begin(): void {
    isPutOff.value = false;
    void read();
  }
  /** @returns whether there was something to take */
  function put(wanted: readonly Offer[]): boolean {
    if (wanted.length === 0) return false;
    const keys = new Set(wanted.map((o) => o.key));
    store.apply({ kind: "takeOffers", offers: wanted.map((o) => toRaw(o.offered)) });
    offers.value = offers.value.filter((o) => !keys.has(o.key));
    return true;
  }
  function leave(offer: Offer): void {
    store.apply({ kind: "leaveOffers", keys: [offer.key] });
    offers.value = offers.value.filter((o) => o.key !== offer.key && !o.needs.includes(offer.key));
  }
  /** What makes a plan alone is looked at there. */
  function takeAll(): boolean {
    const all = offers.value;
    if (!put(all)) return false;
    if (all.every((o) => PLANNED.has(o.offered.kind))) void navigateTo(`/case/${store.id}/plan`);
    return true;
  }
  return reactive({
    offers,
    notes,
    picture,
    isReading,
    failure,
    pointed,
    /** how many offers stand back */
    waiting: computed(() => (isPutOff.value ? offers.value.length : 0)),
    shown: computed(() => (isPutOff.value ? [] : offers.value)),
    begin,
    leave,
    /** takes an offer with all it is made with */
    take: (offer: Offer) => put(withNeeds(offer, offers.value)),
    takeAll,
    putOff: (is: boolean) => void (isPutOff.value = is),
    point: (key: string | null) => void (pointed.value = key),
  });
}
export type StoryReading = ReturnType<typeof useReading>;

const PLANNED: ReadonlySet<string> = new Set(["plan-variable", "constraint", "objective"]);

/** An offer with all it is made with, in the order of the story. */
function withNeeds(wanted: Offer, offers: readonly Offer[]): Offer[] {
  const keys = new Set([wanted.key]);
  for (let size = 0; size !== keys.size;) {
    size = keys.size;
    for (const o of offers) if (keys.has(o.key)) for (const n of o.needs) keys.add(n);
  }
  return offers.filter((o) => keys.has(o.key));
}
