<script setup lang="ts" generic="Row">
import { useVirtualList } from '@vueuse/core'
import { computed, watch } from 'vue'

/** A long list of which only what is in view is drawn. Rows are all of one height. */
const { rows, height, label, scrollTo } = defineProps<{
  rows: readonly Row[]
  height: number
  label: string
  /** The row to bring into view; -1 for none. */
  scrollTo?: number
}>()
defineSlots<{ default: (props: { row: Row; index: number }) => unknown }>()

const source = computed(() => [...rows])
const {
  list,
  containerProps,
  wrapperProps,
  scrollTo: bring,
} = useVirtualList(source, {
  itemHeight: () => height,
  overscan: 12,
})
watch(
  () => scrollTo,
  (index) => {
    if (index !== undefined && index >= 0) bring(Math.max(0, index - 3))
  },
)
</script>

<template>
  <div v-bind="containerProps" class="rows" tabindex="-1">
    <ul v-bind="wrapperProps" :aria-label="label">
      <li
        v-for="{ data, index } in list"
        :key="index"
        :style="{ height: `${height}px` }"
        :aria-setsize="rows.length"
        :aria-posinset="index + 1"
      >
        <slot :row="data" :index="index" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.rows {
  flex: 1 1 0;
  min-height: 60px;
}
</style>
