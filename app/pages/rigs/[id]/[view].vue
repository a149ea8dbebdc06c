<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { onBeforeRouteUpdate, useRoute } from 'vue-router'
import { definePageMeta } from '#imports'
import { fetchView, isView, VIEWS } from '~/views/views'

definePageMeta({ key: 'view', validate: ({ params }) => isView(params.view) })

const route = useRoute()
/** The floor is drawn first: what it needs is fetched before any view. */
const isTurn = ref(false)
onMounted(() => setTimeout(() => (isTurn.value = true)))
const view = computed(() => (isTurn.value && isView(route.params.view) ? VIEWS[route.params.view] : null))
onBeforeRouteUpdate(({ params }) => fetchView(params.view))
</script>

<template>
  <component :is="view" v-if="view" />
  <main v-else />
</template>
