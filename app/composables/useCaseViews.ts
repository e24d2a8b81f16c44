import { until } from "@vueuse/core";
import { CASE_VIEWS, type CaseViewId } from "~/utils/caseViews";

/** What the page needs of the desk and of the Data view to lead somewhere in them. */
interface DeskHand {
  readonly write: () => void;
  readonly begin: (line: string) => void;
}
interface DataHand {
  readonly take: (from: string | File) => Promise<void>;
  readonly show: (table: string) => void;
}

/** Which view of a case is open, and the ways to a place in one of them. */
export function useCaseViews(desk: Readonly<Ref<DeskHand | null>>, data: Readonly<Ref<DataHand | null>>) {
  const route = useRoute();
  const store = useCaseStore();
  /** A case that is only a plan opens there. */
  const home = computed((): CaseViewId =>
    store.document?.plan && (store.document.functions ?? []).length === 0 ? "plan" : "desk",
  );
  const where = computed((): CaseViewId => CASE_VIEWS.find((v) => v.id === route.params.view)?.id ?? home.value);
  function go(id: CaseViewId): void {
    if (id !== where.value) void navigateTo(`/case/${String(route.params.id)}/${id}`);
  }
  /** To the entry line, with a line begun on it where there is one to try. */
  async function write(line?: string): Promise<void> {
    go("desk");
    await until(desk).toBeTruthy();
    if (line === undefined) desk.value?.write();
    else desk.value?.begin(line);
  }
  /** To the Data view, with a table from elsewhere. */
  async function takeTable(from: string | File): Promise<void> {
    go("data");
    await until(data).toBeTruthy();
    await data.value?.take(from);
  }
  /** To a table of the case. */
  async function showTable(name: string): Promise<void> {
    go("data");
    await until(data).toBeTruthy();
    data.value?.show(name);
  }
  return { where, go, write, takeTable, showTable };
}
