<script
  setup
  lang="ts"
  generic="
    Key extends string,
    Tab extends { readonly key: Key; readonly text: string; readonly found?: readonly Finding[] }
  "
>
import { nextTick, useTemplateRef, watch } from 'vue'
import FindingMark from '~/components/common/FindingMark.vue'
import type { Finding } from '#core/check'

/** Tabs of one view: arrow keys move between them. */
const { label, tabs, current } = defineProps<{
  label: string
  tabs: readonly Tab[]
  current: Key
}>()
const emit = defineEmits<{ go: [key: Key] }>()

const strip = useTemplateRef('strip')

const chosen = () => strip.value?.querySelector<HTMLElement>('[aria-selected="true"]')
watch(
  () => current,
  async () => {
    await nextTick()
    chosen()?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  },
)

function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const next = by && tabs.at((tabs.findIndex(({ key }) => key === current) + by) % tabs.length)
  if (!next) return
  event.preventDefault()
  emit('go', next.key)
  void nextTick(() => chosen()?.focus())
}
</script>

<template>
  <div ref="strip" class="strip" role="tablist" :aria-label="label">
    <button
      v-for="tab in tabs"
      :key="tab.key"
      type="button"
      role="tab"
      :aria-selected="tab.key === current"
      :tabindex="tab.key === current ? 0 : -1"
      @keydown="onKey"
      @click="emit('go', tab.key)"
    >
      <slot :tab="tab">{{ tab.text }}</slot>
      <FindingMark v-if="tab.found" :found="tab.found" />
    </button>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  min-width: 0;
  overflow-x: auto;
  border-bottom: 1px solid var(--line);
  scrollbar-width: thin;
}

button {
  flex: none;
  display: flex;
  align-items: center;
  gap: 6px;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 5px 11px;
  background: none;
}

button:hover {
  background: var(--hover);
}

button:focus-visible {
  outline-offset: -2px;
}

[aria-selected='true'] {
  border-bottom-color: var(--ink);
  font-weight: 700;
}
</style>
