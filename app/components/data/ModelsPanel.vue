<script setup lang="ts">
import type { CaseFile } from "#core/model";
import type { Columns } from "~/composables/useColumns";
import type { FunctionOfData } from "~/composables/useFunctionOfData";
import type { Models } from "~/composables/useModels";

/** The models, best first: one is chosen and used as a function; own formulas, and what is known of the readings. */
const props = defineProps<{ document: CaseFile; columns: Columns; models: Models; made: FunctionOfData }>();
const emit = defineEmits<{ split: [] }>();
const { columns, models, made } = props;
const own = ref("");
</script>

<template>
  <section class="panel models" aria-labelledby="models-title">
    <div class="panel-head">
      <h2 id="models-title" class="panel-title">
        Models, best first <span class="caption">judged on rows they did not see</span>
      </h2>
    </div>
    <p v-if="models.busy" class="quiet" role="status">
      Fitting … {{ Math.round(models.progress * 100) }} %
      <Button link @click="models.cancel()">cancel</Button>
    </p>
    <ProblemNote v-if="models.failure" role="alert" :text="models.failure" />
    <ModelCards
      :cards="models.cards"
      :chosen="models.chosen"
      :x="columns.x"
      :name="made.typed || 'N'"
      :input="columns.unitOf(columns.x)"
      :output="columns.unitOf(columns.y)"
      :split="models.splitCard"
      :is-free="made.problem === null"
      @split="emit('split')"
      @choose="models.chosen = $event"
      @point="models.pointed = $event"
    >
      <template #chosen>
        <form class="use" @submit.prevent="made.useModel()">
          <label class="as"
            >name
            <InputText
              v-model="made.typed"
              size="small"
              aria-label="Name of the function"
              :invalid="made.problem !== null"
          /></label>
          <Button
            type="submit"
            :label="`Use as ${made.typed || '…'}(${columns.x})`"
            :disabled="made.problem !== null"
          />
          <Button
            v-if="made.next"
            link
            :label="`Use, and on to ${made.next}`"
            :disabled="made.problem !== null"
            @click="made.useModel(made.next)"
          />
          <span class="quiet">{{ made.problem ?? "all digits go with it; nothing to copy" }}</span>
        </form>
      </template>
    </ModelCards>
    <form class="own" @submit.prevent="models.keepOwn(own)">
      <label
        >Own formula with free constants
        <InputText v-model="own" size="small" :placeholder="`a (1 - exp(-b ${columns.x}))`" spellcheck="false" /></label
      ><Button type="submit" label="Fit it" size="small" severity="secondary" outlined />
      <ProblemNote v-if="models.ownProblem" role="alert" :text="models.ownProblem" />
    </form>
    <fieldset class="choices context">
      <legend class="panel-title">Context</legend>
      <label><Checkbox v-model="models.notNegative" binary size="small" /> never below 0</label>
      <label
        >never above
        <InputText
          v-model="models.limit"
          size="small"
          class="limit"
          aria-label="Readings are never above"
          placeholder="no limit"
      /></label>
    </fieldset>
    <RoundingShown
      v-if="models.card && models.card.rounded.length > 0"
      :document="document"
      :columns="columns"
      :card="models.card"
      :name="made.typed"
    />
  </section>
</template>

<style scoped>
.models {
  background: var(--panel);
  gap: 0.7rem;
}
.limit {
  width: 6rem;
}
.use {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}
.as :deep(input),
.as input {
  width: 4.5rem;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: end;
  border-top: 1px solid var(--hairline);
  padding-top: 0.6rem;
  font-size: 0.9rem;
}
.own label {
  display: grid;
  gap: 2px;
  flex: 1 1 10rem;
}
.own .problem {
  flex-basis: 100%;
}
.context {
  font-size: 0.9rem;
}
.context legend {
  padding: 0;
  margin-bottom: 0.2rem;
}
</style>
