<script setup lang="ts">
import { definePageMeta } from '#imports'

definePageMeta({ redirect: (to) => `/rigs/${String(to.params.id)}/switches` })
</script>

<template>
  <main />
</template>
