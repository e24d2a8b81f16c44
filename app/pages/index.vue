<script setup lang="ts">
import { useIntersectionObserver, watchDebounced } from "@vueuse/core";

const shelf = useShelfStore();
const { list, find, trouble, loading, hasMore, asOf } = storeToRefs(shelf);
const chooseFile = useShelfTaking();
const { lastDeleted, create, copy, rename, remove, bringBack } = useShelfActions();
useHead({ title: "Cases · Pasear" });
const isSearched = computed(() => find.value.trim() !== "");
const clock = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
/** From so many cases on they can be searched. */
const MANY = 12;

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
          <h1>Cases</h1>
          <p class="quiet">Each case is a walk from a story to a decision.</p>
        </div>
        <div class="side">
          <InputText
            v-if="isSearched || hasMore || list.length > MANY"
            v-model="find"
            type="search"
            placeholder="Find by title"
            aria-label="Find a case by its title"
          />
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
        No case has “{{ find.trim() }}” in its title.
      </p>
      <p v-else-if="!trouble && !loading && list.length === 0" class="quiet">
        The shelf is empty. Start a new case, and write or paste its story; or drop a case file here.
      </p>
      <p v-if="lastDeleted" class="undo" role="status">
        “{{ lastDeleted.title }}” is deleted.
        <Button link @click="bringBack">Undo</Button>
      </p>
      <ul class="cards" aria-label="Cases">
        <ShelfCard
          v-for="c in list"
          :key="c.id"
          :of="c"
          @rename="rename(c, $event)"
          @copy="copy(c)"
          @remove="remove(c)"
        />
      </ul>
      <p v-if="hasMore" ref="end" class="more">
        <Button link @click="shelf.more()">More cases</Button>
      </p>
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
