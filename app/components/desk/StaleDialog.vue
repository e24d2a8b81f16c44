<script setup lang="ts">
const visible = defineModel<boolean>("visible", { required: true });
const store = useCaseStore();
const clashes = computed(() => (store.keeping.state === "stale" ? store.keeping.clashes : []));
function choose(side: "mine" | "theirs"): void {
  store.choose(side);
  visible.value = false;
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Two versions of this case"
    :style="{ width: '34rem', maxWidth: '94vw' }"
  >
    <p>
      This case was changed elsewhere since it was opened here, and in the same place. Both versions are still there.
    </p>
    <p class="clash">Changed in both: {{ clashes.join("; ") }}.</p>
    <div class="ways">
      <Button label="Keep what is here" @click="choose('mine')" />
      <Button label="Take the other version" severity="secondary" @click="choose('theirs')" />
    </div>
    <p class="quiet">
      Only these parts are in question: what just one of the two changed stays either way. Undo goes back.
    </p>
  </Dialog>
</template>

<style scoped>
.clash {
  margin-top: 0.6rem;
  font-weight: 600;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.7rem;
  margin: 1rem 0 0.7rem;
}
</style>
