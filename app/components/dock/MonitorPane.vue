<script setup lang="ts">
import { useClipboard, useThrottleFn } from '@vueuse/core'
import VirtualScroller from 'primevue/virtualscroller'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { own } from '#core/base'
import { encodeMidiFile, type MidiFileEvent } from '#core/midi'
import { inOrder, type SwitchId } from '#core/rig'
import { momentText } from '~/charts/minuteLanes'
import { ALL, monitorRows, type MonitorFilter, type MonitorRow } from '~/charts/monitorRows'
import { useSelection } from '~/composables/useSelection'
import { saveFile } from '~/platform/saveFile'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { bytesText } from '#shared/words/messages'

/** Every message of the last minute, in plain words and in bytes. */
const floor = useFloorStore()
const midi = useMidiStore()
const rigs = useRigStore()
const router = useRouter()
const { select } = useSelection()
const { copy, isSupported } = useClipboard({ legacy: true })

/** No more than this is shown at a time; the page is kept live. */
const SHOWN = 2000
/** The list is made anew no oftener than this, in ms. */
const EVERY = 120

const filter = ref<MonitorFilter>({ ...ALL })
const rows = shallowRef<readonly MonitorRow[]>([])
const news = ref('')
const list = useTemplateRef<{ scrollToIndex: (n: number) => void }>('list')
/** While the player reads further up, what comes does not pull the list away. */
const isReading = ref(false)

const refresh = useThrottleFn(
  async () => {
    if (!rigs.rig) return
    rows.value = monitorRows(rigs.rig, floor.minute().wire.last(), midi.incoming, filter.value, SHOWN)
    await nextTick()
    if (!isReading.value && rows.value.length > 0) list.value?.scrollToIndex(rows.value.length - 1)
  },
  EVERY,
  true,
)
watch([() => floor.version, () => midi.incoming.length, filter, () => rigs.rig], () => void refresh(), {
  immediate: true,
  deep: true,
})

const devices = computed(() => (rigs.rig ? inOrder(rigs.rig.devices) : []))
const senders = computed(() => {
  const ids = new Set(
    floor.version >= 0
      ? floor
          .minute()
          .wire.last()
          .map(({ by }) => by)
      : [],
  )
  return [...ids].flatMap((id) => {
    const one = own(rigs.rig?.switches, id ?? '')
    return one ? [{ id: one.id, name: switchText(one.id) }] : []
  })
})

function switchText(id: SwitchId | null): string {
  const one = own(rigs.rig?.switches, id ?? '')
  return one ? floor.nameOf(one) || `switch ${one.number}` : ''
}

function goTo(id: SwitchId | null): void {
  const one = own(rigs.rig?.switches, id ?? '')
  if (!one) return
  floor.goToBank(one.bankId)
  select({ kind: 'switch', bankId: one.bankId, number: one.number, jack: one.jack })
  void router.push(`/rigs/${rigs.rigId}/switches`)
}

async function copyHex(): Promise<void> {
  await copy(rows.value.map(({ bytes }) => bytesText(bytes)).join('\n'))
  news.value = `${count(rows.value.length, 'message')} copied.`
}

/** A tick of the file is a millisecond: 1000 a quarter at 60 bpm. */
function save(): void {
  const shown = rows.value.filter(({ message }) => message !== null)
  const scale = (row: MonitorRow) => Math.round(row.isIn ? row.at : row.at / 1000)
  let last = shown[0] ? scale(shown[0]) : 0
  const track: MidiFileEvent[] = [
    { delta: 0, kind: 'trackName', text: rigs.name },
    { delta: 0, kind: 'tempo', microseconds: 1_000_000 },
    ...shown.map((row): MidiFileEvent => {
      const delta = Math.max(0, scale(row) - last)
      last = Math.max(last, scale(row))
      return { delta, kind: 'message', message: row.message! }
    }),
  ]
  saveFile('monitor.mid', 'audio/midi', encodeMidiFile({ ticksPerQuarter: 1000, tracks: [track] }))
  news.value = `${count(shown.length, 'message')} saved as monitor.mid.`
}

function onScroll(event: Event): void {
  const { scrollTop, scrollHeight, clientHeight } = event.target as HTMLElement
  isReading.value = scrollHeight - scrollTop - clientHeight > 40
}
</script>

<template>
  <div class="monitor">
    <div class="tools">
      <label>
        Device
        <select v-model="filter.deviceId">
          <option value="">all</option>
          <option v-for="one in devices" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <label>
        Kind
        <select v-model="filter.kind">
          <option value="">all that goes out</option>
          <option value="program">recalls</option>
          <option value="control">controls and notes</option>
          <option value="clock">clock</option>
          <option value="exclusive">SysEx</option>
          <option value="in">what comes in</option>
        </select>
      </label>
      <label>
        Switch
        <select v-model="filter.switchId">
          <option value="">all</option>
          <option v-for="one in senders" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <label class="tick"><input v-model="filter.withClock" type="checkbox" /> ticks of the clock</label>
      <span class="room"></span>
      <button v-if="isSupported" type="button" :disabled="rows.length === 0" @click="copyHex">
        Copy as hex
      </button>
      <button type="button" :disabled="rows.length === 0" @click="save">Save as MIDI file</button>
      <span class="unseen" role="status">{{ news }}</span>
    </div>
    <p v-if="rows.length === 0" class="soft">
      {{
        filter.kind === 'in'
          ? 'Nothing came in. Open Real MIDI, and choose the bench port to try it.'
          : 'No message in the last minute that these choices let through.'
      }}
    </p>
    <VirtualScroller
      v-else
      ref="list"
      :items="[...rows]"
      :item-size="24"
      class="rows"
      role="list"
      aria-label="Messages, the newest last"
      tabindex="0"
      @scroll="onScroll"
    >
      <template #item="{ item }: { item: MonitorRow }">
        <div class="row" role="listitem" :class="{ fault: item.fault }">
          <span class="mono at">{{ item.isIn ? 'in' : momentText(item.at, 100_000) }}</span>
          <span class="mono kind" :class="item.kind">{{ item.text }}</span>
          <span class="words">{{ item.words }}<b v-if="item.fault">, {{ item.fault }}</b></span>
          <button
            v-if="item.by"
            type="button"
            class="by"
            :title="`Show ${switchText(item.by)} in Switches`"
            @click="goTo(item.by)"
          >
            {{ switchText(item.by) }}
          </button>
          <span v-else class="by soft">{{ item.isIn ? item.where : 'by itself' }}</span>
          <span class="mono bytes">{{ bytesText(item.bytes) }}</span>
        </div>
      </template>
    </VirtualScroller>
  </div>
</template>

<style scoped>
.monitor {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  gap: 4px;
  min-height: 0;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 3px 9px;
  font-size: 12px;
  color: var(--dock-soft);
}

.room {
  flex: 1;
}

select,
.tools button {
  height: 24px;
  max-width: 130px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  color: var(--dock-ink);
  font: 500 12px var(--text);
}

.tools button {
  padding: 0 7px;
}

.tools button:disabled {
  opacity: 0.5;
}

.tick {
  display: flex;
  align-items: center;
  gap: 4px;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

.rows {
  min-height: 0;
  height: 100%;
}

.row {
  display: grid;
  grid-template-columns: 70px 104px minmax(0, 1fr) minmax(60px, 120px) minmax(70px, auto);
  gap: 8px;
  height: 24px;
  font-size: 12px;
  line-height: 24px;
  white-space: nowrap;
}

.row > * {
  overflow: hidden;
  text-overflow: ellipsis;
}

.at,
.bytes {
  color: var(--dock-soft);
}

.program {
  color: var(--dock-program);
}

.control {
  color: var(--dock-control);
}

.clock {
  color: var(--dock-clock);
}

.exclusive {
  color: var(--dock-exclusive);
}

.fault b {
  color: var(--dock-fault);
}

.by {
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--tape);
  text-align: left;
}

@media (max-width: 1100px) {
  .row {
    grid-template-columns: 62px 96px minmax(0, 1fr) minmax(50px, 90px);
  }

  .bytes {
    display: none;
  }
}
</style>
