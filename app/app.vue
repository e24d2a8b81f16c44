<script setup lang="ts">
import type { Told } from "~/composables/useStandingOffer";

const toast = useToast();
function take(told: Told): void {
  told.offer?.act();
  toast.remove(told);
}
</script>

<template>
  <NuxtPage />
  <Toast position="bottom-center">
    <template #message="{ message }: { message: Told }">
      <div class="p-toast-message-text">
        <span class="p-toast-summary">{{ message.summary }}</span>
        <div v-if="message.detail" class="p-toast-detail">{{ message.detail }}</div>
        <div v-if="message.offer">
          <Button link :label="message.offer.says" @click="take(message)" />
        </div>
      </div>
    </template>
  </Toast>
</template>
