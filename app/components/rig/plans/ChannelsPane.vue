<script setup lang="ts">
import WordHints from '~/components/common/WordHints.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { Finding } from '#core/check'
import { channelHolders, receivers, spreadChannels, type Rig } from '#core/rig'
import FindingMark from '~/components/common/FindingMark.vue'
import type { Selection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'

/** The 16 channels and who holds each: what reacts when one is spoken to. */
const { rig, found } = defineProps<{ rig: Rig; found: readonly Finding[] }>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rigs = useRigStore()
const refusal = ref('')

const rows = computed(() =>
  Array.from(channelHolders(rig), ([channel, holders]) => ({
    channel,
    holders,
    isShared: holders.length > 1,
    onPurpose: holders.length > 1 && holders.every(({ sharesChannel }) => sharesChannel),
  })),
)
const omni = computed(() => receivers(rig).filter(({ channel }) => channel === 'omni'))
const unset = computed(() => receivers(rig).filter(({ channel }) => channel === 'none'))
const about = (id: string) => found.filter((one) => one.about.id === id && one.about.field === 'channel')

function spread(): void {
  const result = spreadChannels(rig)
  refusal.value = result.ok
    ? ''
    : `There are ${result.refusal.devices} devices for 16 channels; ${result.refusal.device} is left without. Let two that change together share one on purpose, or put some on a second output of a controller that keeps its outputs apart.`
  if (result.ok) rigs.edit(result.value)
}
</script>

<template>
  <div class="tab-pane" role="tabpanel" tabindex="0" aria-label="Channels">
    <header>
      <p>
        One channel for each device. All devices on a channel answer to it, and so does every omni device.
      </p>
      <Button label="Give every device its own channel" size="small" @click="spread" />
    </header>
    <WordHints :of="['channel', 'program-change']" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <table>
      <caption class="unseen">
        Who listens on each channel
      </caption>
      <thead>
        <tr>
          <th scope="col">Channel</th>
          <th scope="col">Held by</th>
          <th scope="col">Also answer</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.channel">
          <th scope="row" class="mono">{{ row.channel }}</th>
          <td>
            <span v-for="device in row.holders" :key="device.id" class="holder">
              <button
                type="button"
                class="word"
                @click="emit('choose', { kind: 'device', deviceId: device.id })"
              >
                {{ device.name }}
              </button>
              <FindingMark :found="about(device.id)" />
            </span>
            <span v-if="row.onPurpose" class="soft">shared on purpose</span>
            <span v-else-if="row.isShared" class="bad">shared by mistake</span>
            <span v-if="row.holders.length === 0" class="soft">free</span>
          </td>
          <td class="soft">
            {{ row.holders.length > 0 ? omni.map(({ name }) => name).join(', ') || 'nobody' : '' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="unset.length > 0">
      On no channel: {{ unset.map(({ name }) => name).join(', ') }}. Nothing reaches them until they have one.
    </p>
  </div>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
}

.holder {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  margin-right: 12px;
}

.refusal {
  padding: 8px 12px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}

.bad {
  color: var(--error);
  font-weight: 600;
}
</style>
