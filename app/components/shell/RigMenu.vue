<script setup lang="ts">
import { ChevronDown } from '@lucide/vue'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { fileAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { useTheme } from '~/theme/useTheme'

const emit = defineEmits<{ shortcuts: [] }>()

const rigs = useRigStore()
const router = useRouter()
const menu = useTemplateRef('menu')
const { theme, toggleTheme } = useTheme()

const items = computed(() => [
  {
    label: 'Take out',
    items: [
      { label: 'Rig file (rig.json)', url: fileAddress(rigs.rigId ?? '', 'rig.json') },
      { label: 'Messages (switches.mid)', url: fileAddress(rigs.rigId ?? '', 'switches.mid') },
    ],
  },
  {
    label: 'Wire Step',
    items: [
      { label: 'All rigs', command: () => void router.push('/rigs') },
      { label: 'Backups', command: () => void router.push('/backups') },
      { label: 'Words of the trade', command: () => void router.push('/words') },
      { label: theme.value === 'stage' ? 'Light theme' : 'Stage theme', command: toggleTheme },
      { label: 'Shortcuts', command: () => emit('shortcuts') },
    ],
  },
])
</script>

<template>
  <button
    type="button"
    class="opener"
    aria-haspopup="menu"
    :aria-label="`${rigs.name}, rig menu`"
    @click="menu?.toggle($event)"
  >
    <span>{{ rigs.name }}</span>
    <ChevronDown :size="14" aria-hidden="true" />
  </button>
  <Menu ref="menu" :model="items" popup />
</template>

<style scoped>
.opener {
  display: flex;
  align-items: center;
  gap: 4px;
  max-width: 100%;
  margin-left: -4px;
  padding: 1px 4px;
  border: 0;
  border-radius: var(--corner);
  background: none;
  font-size: 13px;
  color: var(--ink-soft);
  text-align: left;
}

.opener:hover {
  background: var(--hover);
}

.opener span {
  overflow-wrap: anywhere;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
}

.opener svg {
  flex: none;
}
</style>
