import { MOST_WEIGHED, briefPage, filledRows, planTold, type BriefPage, type PlanTold } from "#core/brief";
import { modelOf, type CaseFile } from "#core/model";
import { briefPicture, pictureKeys, type PictureSource } from "~/brief/briefPictures";
import { restingRegion } from "~/charts/regionView";
import type { Sheet } from "~/paper/pictureFile";

/** The brief of the open case, written anew with every change: its page, and its pictures as they are drawn. */
export function useBrief(document: Ref<CaseFile>) {
  const analysis = useAnalysisStore();
  const solver = usePlan(document, ref(null));
  const region = computed(() => {
    const { picture, result, solved } = solver;
    return picture.value && result.value && solved.value
      ? restingRegion(solved.value, result.value, picture.value)
      : null;
  });
  const plan = computed((): PlanTold | null => {
    const { solved, result } = solver;
    return solved.value && result.value ? planTold(solved.value, result.value, region.value !== null) : null;
  });

  // The case that was worked out stays the same while somebody writes: nothing of it is made anew with every word.
  const worked = computed(() => analysis.shown ?? document.value);
  const names = computed(() => modelOf(worked.value).names);
  const rows = computed(() => filledRows(document.value));
  const weighed = computed(() =>
    rows.value.some((row) => row.id === "changes" && !row.off)
      ? (worked.value.questions ?? []).slice(0, MOST_WEIGHED).map((q) => q.id)
      : [],
  );
  const isWorked = computed(() => rows.value.some((row) => row.id === "working" && !row.off));
  watch(isWorked, (is) => analysis.workAll(is), { immediate: true });
  onScopeDispose(() => analysis.workAll(false));
  const influences = useInfluences(worked, weighed);
  const page = computed((): BriefPage | null =>
    analysis.desk
      ? briefPage({
          source: document.value,
          desk: analysis.desk,
          names: names.value,
          plan: plan.value,
          influences: influences.value,
          graph: analysis.picture?.described ?? null,
        })
      : null,
  );
  const drawn = computed((): PictureSource => ({
    questions: worked.value.questions ?? [],
    picture: analysis.picture,
    region: region.value,
  }));
  const pictures = useBriefPictures(page, drawn);
  return { page, rows, names, pictures };
}

/** The pictures of a page by their keys; one that is drawn anew stands as it was until then. */
function useBriefPictures(page: Readonly<Ref<BriefPage | null>>, from: Readonly<Ref<PictureSource>>) {
  const sheets = shallowRef<ReadonlyMap<string, Sheet>>(new Map());
  let turn = 0;
  async function draw(): Promise<void> {
    const mine = ++turn;
    const drawn = new Map<string, Sheet>();
    for (const key of page.value ? pictureKeys(page.value) : []) {
      const sheet = await briefPicture(key, from.value);
      if (mine !== turn) return;
      if (sheet) drawn.set(key, sheet);
    }
    sheets.value = drawn;
  }
  watch([() => page.value && pictureKeys(page.value).join("\n"), from], draw, { immediate: true });
  return sheets;
}
