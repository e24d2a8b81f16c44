<template>
  <NuxtPage />
  <Toast position="bottom-center" />
</template>
