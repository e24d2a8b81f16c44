<script setup lang="ts">
import { useIntersectionObserver, watchDebounced } from "@vueuse/core";
import { TRASH_DAYS, type ShelfCase } from "~/utils/caseApi";

const shelf = useShelfStore();
const { list, find, tag, isTrash, trouble, loading, hasMore, asOf } = storeToRefs(shelf);
const chooseFile = useShelfTaking();
const { create, copy, rename, another, setTags } = useShelfActions();
const { lastDeleted, remove, bringBack, clear } = useShelfTrash();
const choice = useShelfChoice(list);
const { ids, chosen, isChoosing } = choice;
// What is not needed for the first look comes after it.
const ShelfTools = later(() => import("~/components/shelf/ShelfTools.vue"));
const ShelfChosen = later(() => import("~/components/shelf/ShelfChosen.vue"));
const ClearDialog = later(() => import("~/components/shelf/ClearDialog.vue"));
/** Deleted cases that somebody wants to clear away for good. */
const clearing = shallowRef<readonly ShelfCase[] | null>(null);
function clearAway(of: readonly ShelfCase[]): void {
  clearing.value = null;
  void clear(of);
}
// The deleted cases have an address of their own, and back leads from them to the shelf.
const { currentRoute } = useRouter();
const isAtDeleted = () => "deleted" in currentRoute.value.query;
const goToOther = () => navigateTo({ path: "/", query: isTrash.value ? {} : { deleted: null } });
isTrash.value = isAtDeleted();
watch(isAtDeleted, (isIt) => {
  if (currentRoute.value.path !== "/") return;
  isTrash.value = isIt;
  find.value = tag.value = "";
  choice.none();
  void shelf.search();
});
useHead({ title: () => (isTrash.value ? "Deleted cases · Pasear" : "Cases · Pasear") });
const isSearched = computed(() => find.value.trim() !== "" || tag.value !== "");
const clock = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
/** From so many cases on they can be searched. */
const MANY = 12;

/** Cards are drawn a few at a time. */
const PART = 6;
const drawn = useInParts(() => list.value.length, PART);

onMounted(shelf.load);
onScopeDispose(shelf.leave);
watchDebounced(find, shelf.search, { debounce: 200 });
// The next page comes as its place comes near, and the one after it where the place is still near then.
const end = useTemplateRef<HTMLElement>("end");
const isEndNear = ref(false);
useIntersectionObserver(end, ([entry]) => (isEndNear.value = entry?.isIntersecting ?? false), { rootMargin: "800px" });
watch([isEndNear, loading, trouble], () => isEndNear.value && !trouble.value && void shelf.more(), { flush: "post" });
</script>

<template>
  <div>
    <AppHead />
    <main class="shelf">
      <div class="top">
        <div>
          <h1>{{ isTrash ? "Deleted cases" : "Cases" }}</h1>
          <p class="quiet">
            {{ isTrash ? `They are kept for ${TRASH_DAYS} days.` : "Each case is a walk from a story to a decision." }}
          </p>
        </div>
        <div class="side">
          <InputText
            v-if="isSearched || hasMore || list.length > MANY"
            v-model="find"
            type="search"
            placeholder="Find in cases"
            aria-label="Find cases by title, story and findings"
          />
          <ShelfTools v-if="!isTrash" />
          <Button label="From a file" severity="secondary" outlined @click="chooseFile" />
          <Button label="New case" @click="create" />
        </div>
      </div>
      <ProblemNote v-if="trouble" role="alert">
        {{ trouble }} <Button link @click="shelf.load()">Try again</Button>
      </ProblemNote>
      <ProblemNote v-else-if="asOf !== null" role="status">
        The server does not answer. This is the shelf as it was on {{ clock.format(asOf) }}; what is changed in a case
        is held in this browser. <Button link @click="shelf.load()">Try again</Button>
      </ProblemNote>
      <p v-if="!trouble && !loading && list.length === 0 && isSearched" class="quiet" role="status">
        No case is found by “{{ [find.trim(), tag].filter(Boolean).join(", ") }}”.
      </p>
      <p v-else-if="!trouble && !loading && list.length === 0 && isTrash" class="quiet">No case is deleted.</p>
      <p v-else-if="!trouble && !loading && list.length === 0" class="quiet">
        The shelf is empty. Start a new case, and write or paste its story; or drop a case file here.
      </p>
      <p v-if="lastDeleted" class="undo" role="status">
        “{{ lastDeleted.title }}” is deleted.
        <Button link @click="bringBack(lastDeleted)">Undo</Button>
      </p>
      <ShelfChosen
        v-if="isChoosing"
        :count="chosen.length"
        @save="choice.save"
        @tag="choice.addTag"
        @remove="choice.remove"
        @none="choice.none"
      />
      <ul class="cards" aria-label="Cases">
        <ShelfCard
          v-for="c in list.slice(0, drawn)"
          :key="c.id"
          v-model:chosen="ids"
          :is-choosing="isChoosing"
          :of="c"
          @rename="rename(c, $event)"
          @copy="copy(c)"
          @another="another(c)"
          @tags="setTags(c, $event)"
          @remove="remove(c)"
          @restore="bringBack(c)"
          @clear="clearing = [c]"
        />
      </ul>
      <p v-if="hasMore && drawn >= list.length" ref="end" class="more">
        <Button link @click="shelf.more()">More cases</Button>
      </p>
      <p v-if="!loading || list.length > 0" class="turn">
        <Button v-if="!isTrash && !isChoosing && list.length > 0" link @click="isChoosing = true"
          >Choose several</Button
        >
        <Button link @click="goToOther">{{ isTrash ? "Back to the shelf" : "Deleted cases" }}</Button>
        <Button v-if="isTrash && list.length > 1" link @click="clearing = list">Delete all of them for good</Button>
      </p>
      <ClearDialog v-if="clearing" :of="clearing" @clear="clearAway" @keep="clearing = null" />
    </main>
  </div>
</template>

<style scoped>
.shelf {
  max-width: 1080px;
  margin: 0 auto;
  padding: 1.6rem 1.2rem 3rem;
}
.top {
  display: flex;
  align-items: end;
  justify-content: space-between;
  margin-bottom: 1.2rem;
}
h1 {
  font-family: var(--book);
  font-size: 1.7rem;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 440px), 1fr));
  gap: 0.9rem;
}
.side {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}
.shelf > .problem {
  margin-bottom: 0.9rem;
}
.turn {
  display: flex;
  gap: 1.4rem;
  margin-top: 1.4rem;
}
.more {
  padding: 1rem 0;
  text-align: center;
}
.undo {
  padding: 0.5rem 0.9rem;
  margin-bottom: 0.9rem;
  background: var(--jade-soft);
  border-radius: 6px;
}
</style>
