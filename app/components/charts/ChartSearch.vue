<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { search, type Hit } from '#core/chart'
import type { Rig } from '#core/rig'
import { useShortcuts } from '~/composables/useShortcuts'
import { addressText } from '~/text/charts'
import { messageText } from '#shared/words/messages'

/** One search over everything every device can be told. */
const { rig } = defineProps<{ rig: Rig }>()
const emit = defineEmits<{ pick: [hit: Hit] }>()

const text = ref<string | Hit>('')
const hits = shallowRef<Hit[]>([])
const frame = useTemplateRef<HTMLElement>('frame')
const nothing = computed(() => typeof text.value === 'string' && text.value.trim() !== '')

/** What a hit is called, for readers of the list. */
const nameOf = (hit: Hit | string): string =>
  typeof hit === 'string'
    ? hit
    : [
        hit.kind === 'control' ? hit.control.name : `${hit.display} ${hit.name}`.trim(),
        hit.device.name,
        hit.messages.map(messageText).join(', '),
      ]
        .filter(Boolean)
        .join(', ')

function pick(hit: Hit): void {
  text.value = ''
  emit('pick', hit)
}

useShortcuts([
  {
    keys: '/',
    shown: '/',
    does: 'Search the charts',
    run: () => frame.value?.querySelector('input')?.focus(),
  },
])
</script>

<template>
  <div ref="frame" class="search">
    <AutoComplete
      v-model="text"
      :suggestions="hits"
      :delay="0"
      :min-length="1"
      auto-option-focus
      :option-label="nameOf"
      aria-label="Search all charts"
      placeholder="/  reverb mix 35 %, CC 21, B4"
      :empty-search-message="nothing ? 'Nothing like that in the charts' : ''"
      fluid
      @complete="hits = search(rig, $event.query)"
      @option-select="pick($event.value)"
    >
      <template #option="{ option }">
        <span class="what">
          <b>{{ option.kind === 'control' ? option.control.name : `${option.display} ${option.name}` }}</b>
          <span class="soft">
            {{ option.device.name
            }}{{ option.kind === 'control' && option.control.section ? `, ${option.control.section}` : '' }}
          </span>
        </span>
        <span class="mono">
          {{
            option.messages.length > 0
              ? option.messages.map(messageText).join(', ')
              : option.kind === 'control'
                ? addressText(option.control.address)
                : ''
          }}
        </span>
        <span class="mono shown">{{ option.kind === 'control' ? option.shown : '' }}</span>
      </template>
    </AutoComplete>
  </div>
</template>

<style scoped>
.search {
  width: 330px;
}

.what {
  flex: 1;
  min-width: 150px;
}

.soft {
  padding-left: 6px;
  opacity: 0.8;
}

.mono {
  padding-left: 14px;
  font-size: 12px;
  white-space: nowrap;
}

.shown {
  min-width: 56px;
  text-align: right;
}
</style>
