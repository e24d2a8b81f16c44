<script setup lang="ts">
defineProps<{ title?: string | null }>();
</script>

<template>
  <header class="head">
    <NuxtLink to="/" class="brand" aria-label="Pasear"
      ><img src="/lantern.svg" alt="" width="17" height="23" /><span>Pasear</span></NuxtLink
    >
    <nav aria-label="Where you are" class="crumbs">
      <NuxtLink to="/">Cases</NuxtLink>
      <template v-if="title !== undefined"><span aria-hidden="true">/</span><slot name="title" /></template>
    </nav>
    <slot name="views" />
    <div class="side"><slot name="side" /></div>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 1.1rem;
  height: var(--head-height);
  padding: 0 1rem;
  background: var(--river);
  color: var(--river-ink);
}
.brand {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  font-family: var(--book);
  font-weight: 700;
  font-size: 1.15rem;
  color: inherit;
  text-decoration: none;
}
.crumbs {
  display: flex;
  align-items: center;
  gap: 0.55rem;
  color: var(--river-soft);
  min-width: 0;
}
.crumbs a {
  color: inherit;
  text-decoration: none;
}
.crumbs a:hover {
  color: var(--river-ink);
  text-decoration: underline;
}
.side {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 0.75rem;
  color: var(--river-soft);
  font-size: 0.87rem;
}
.head :focus-visible {
  outline-color: var(--amber);
}
@media (max-width: 640px) {
  .head {
    flex-wrap: wrap;
    gap: 0 0.6rem;
    height: auto;
    padding: 0 0.6rem;
  }
  .brand {
    height: var(--head-height);
  }
  .crumbs {
    flex: 1;
  }
  /* The views and what has to be said of keeping have lines of their own. */
  .side {
    display: contents;
  }
  .head :slotted(.views) {
    order: 1;
    flex-basis: 100%;
    height: 2.6rem;
    margin-left: 0;
  }
  .brand span {
    display: none;
  }
}
@media print {
  .head {
    display: none;
  }
}
</style>
