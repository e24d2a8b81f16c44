<script setup lang="ts">
import type { PaperChoices } from "~/paper/paperForm";

/** What can be chosen of a graph for a document. */
const props = defineProps<{ choices: PaperChoices; least: number; most: number }>();
const form = defineModel<{
  kind: "png" | "svg";
  clear: boolean;
  title: string;
  width: number;
  height: number;
  ink: "colour" | "grey";
  across: string;
  upwards: string[];
  names: boolean;
  named: string[];
}>({ required: true });
const allNamed = computed(() => form.value.named.length === props.choices.answers.length);
function nameAll(): void {
  form.value.named = allNamed.value ? [] : props.choices.answers.map((a) => a.key);
}
const upwardsLabel = (i: number) =>
  props.choices.upwards.length > 1 ? `axis of values, pane ${i + 1}` : "axis of values";
</script>

<template>
  <div class="settings">
    <label>title <InputText v-model="form.title" size="small" fluid autofocus placeholder="none" /></label>
    <label>axis of inputs <InputText v-model="form.across" size="small" fluid placeholder="none" /></label>
    <label v-for="(_, i) in choices.upwards" :key="i"
      >{{ upwardsLabel(i) }} <InputText v-model="form.upwards[i]" size="small" fluid placeholder="none"
    /></label>
    <div class="pair">
      <label v-for="side in ['width', 'height'] as const" :key="side"
        >{{ side }} in cm
        <InputNumber
          v-model="form[side]"
          size="small"
          fluid
          :input-id="`paper-${side}`"
          :min="least"
          :max="most"
          :max-fraction-digits="1"
          :allow-empty="false"
      /></label>
    </div>
    <fieldset class="choices">
      <legend class="panel-title">Ink</legend>
      <label><RadioButton v-model="form.ink" size="small" name="ink" value="colour" /> colours</label>
      <label><RadioButton v-model="form.ink" size="small" name="ink" value="grey" /> greys and dashes</label>
    </fieldset>
    <fieldset class="choices">
      <legend class="panel-title">Names</legend>
      <label><Checkbox v-model="form.names" binary size="small" /> at the curves and lines</label>
    </fieldset>
    <fieldset v-if="choices.answers.length > 0" class="choices answers">
      <legend class="panel-title">Answers that are named</legend>
      <label v-for="a in choices.answers" :key="a.key"
        ><Checkbox v-model="form.named" size="small" :value="a.key" /> {{ a.says }}</label
      >
      <Button v-if="choices.answers.length > 1" link @click="nameAll">{{ allNamed ? "none" : "all" }}</Button>
    </fieldset>
    <fieldset class="choices">
      <legend class="panel-title">Kind</legend>
      <label><RadioButton v-model="form.kind" size="small" name="kind" value="png" /> PNG, for documents</label>
      <label><RadioButton v-model="form.kind" size="small" name="kind" value="svg" /> SVG, sharp at any size</label>
    </fieldset>
    <fieldset class="choices">
      <legend class="panel-title">Ground</legend>
      <label><RadioButton v-model="form.clear" size="small" name="ground" :value="false" /> white</label>
      <label><RadioButton v-model="form.clear" size="small" name="ground" :value="true" /> clear</label>
    </fieldset>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 0.7rem;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.7rem;
}
.answers {
  flex-direction: column;
  align-items: start;
  flex-wrap: nowrap;
  max-height: 9rem;
  overflow-y: auto;
}
legend {
  margin-bottom: 0.2rem;
}
</style>
