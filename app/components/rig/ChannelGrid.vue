<script setup lang="ts">
import { computed } from 'vue'
import type { Channel } from '#core/base'
import { channelHolders, type Device, type Rig } from '#core/rig'

/** The 16 channels: whose each is, and which this device listens on. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()
const emit = defineEmits<{ choose: [channel: Device['channel']] }>()

const cells = computed(() =>
  Array.from(channelHolders(rig), ([channel, holders]) => ({
    channel,
    others: holders.filter(({ id }) => id !== device.id).map(({ name }) => name),
    isOwn: device.channel === channel,
  })),
)
const taken = computed(() => cells.value.filter(({ others, isOwn }) => isOwn || others.length > 0).length)

const words = ({ channel, others, isOwn }: { channel: Channel; others: string[]; isOwn: boolean }) =>
  [`Channel ${channel}`, isOwn ? 'this device' : '', ...others].filter(Boolean).join(', ')
</script>

<template>
  <section>
    <div class="head">
      <h3>Listens on channel</h3>
      <span class="mono">{{ taken }} of 16 taken</span>
    </div>
    <div class="cells" role="group" aria-label="Channels">
      <button
        v-for="cell in cells"
        :key="cell.channel"
        v-tooltip.top="cell.others.join(', ') || undefined"
        type="button"
        class="mono"
        :class="{ taken: cell.others.length > 0, own: cell.isOwn }"
        :aria-pressed="cell.isOwn"
        :aria-label="words(cell)"
        @click="emit('choose', cell.channel)"
      >
        {{ cell.channel }}
      </button>
    </div>
    <div class="odd">
      <button type="button" :aria-pressed="device.channel === 'omni'" @click="emit('choose', 'omni')">
        Every channel (omni)
      </button>
      <button type="button" :aria-pressed="device.channel === 'none'" @click="emit('choose', 'none')">
        None
      </button>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}

.head {
  display: flex;
  justify-content: space-between;
  font-size: 12px;
}

.cells {
  display: grid;
  grid-template-columns: repeat(8, 1fr);
  gap: 4px;
}

button {
  padding: 3px 7px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
  font-size: 12px;
}

button:hover {
  background: var(--hover);
}

.taken {
  background: var(--hover);
  color: var(--ink-soft);
  text-decoration: underline dotted;
}

.own,
button[aria-pressed='true'] {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
  font-weight: 700;
}

.odd {
  display: flex;
  gap: 4px;
}
</style>
