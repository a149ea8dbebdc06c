<script setup lang="ts">
import Papa from 'papaparse'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import {
  BLANK_SOUND,
  addRow,
  change,
  editRow,
  inOrder,
  lastOrder,
  withChanges,
  type Device,
  type Sound,
  type SoundId,
} from '#core/rig'
import { floorCells } from '#core/simulate'
import {
  moveSound,
  parseCell,
  pasteCells,
  removeSounds,
  setCells,
  soundDevices,
  spokenCells,
  usedBy,
  useCount,
  type CellWrite,
  type PasteFault,
  type TypedCell,
} from '#core/sound'
import FindingNote from '~/components/common/FindingNote.vue'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import CellInspector from '~/components/sounds/CellInspector.vue'
import MatrixPane from '~/components/sounds/MatrixPane.vue'
import PairInspector from '~/components/sounds/PairInspector.vue'
import SchoolPane from '~/components/sounds/SchoolPane.vue'
import SoundInspector from '~/components/sounds/SoundInspector.vue'
import SoundTable from '~/components/sounds/SoundTable.vue'
import { blockText, type Block, type Place } from '~/components/sounds/soundGrid'
import { useSelection } from '~/composables/useSelection'
import { newIds } from '~/platform/newIds'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { pasteFaultText } from '~/text/sounds'

const rigs = useRigStore()
const floor = useFloorStore()
const { selection, select } = useSelection()

const rig = computed(() => rigs.rig!)
const sounds = computed(() => inOrder(rig.value.sounds))
const devices = computed(() => soundDevices(rig.value))
const ours = computed(() => rigs.found.filter(({ about }) => about.table === 'sounds'))
const summary = computed(
  () => `${count(sounds.value.length, 'sound')}, ${count(devices.value.length, 'device')}`,
)
const tab = ref<'table' | 'between' | 'school'>('table')
const TABS = [
  { key: 'table', text: 'Table' },
  { key: 'between', text: 'From one to another' },
  { key: 'school', text: 'Your way' },
] as const
const unsaidText = computed(() =>
  Object.values(rig.value.about)[0]?.unsaid === 'rest' ? 'goes back to rest' : 'is left alone',
)

const chosen = computed(() => (selection.value?.kind === 'sound' ? selection.value : null))
const sound = computed(() => own(rig.value.sounds, chosen.value?.soundId ?? '') ?? null)
const device = computed(() => devices.value.find(({ id }) => id === chosen.value?.deviceId) ?? null)
const foundHere = computed((): Finding[] =>
  ours.value.filter(
    ({ about }) =>
      about.id === sound.value?.id &&
      (!device.value || about.field === undefined || about.field === `cells.${device.value.id}`),
  ),
)
/** What the last key did, told once. */
const news = ref('')
const faults = shallowRef<readonly PasteFault[]>([])

const choose = (one: Sound, of: Device | null) =>
  select({ kind: 'sound', soundId: one.id, ...(of && { deviceId: of.id }) })

function takeCell(one: Sound, of: Device, text: string): void {
  if (text.trim() === '')
    return void rigs.edit(setCells(rig.value, [{ soundId: one.id, deviceId: of.id, cell: null }], newIds))
  const read = parseCell(rig.value, of, text)
  if (read.ok)
    rigs.edit(setCells(rig.value, [{ soundId: one.id, deviceId: of.id, cell: read.value }], newIds))
}

function takeName(one: Sound | null, name: string): void {
  if (one) return void rigs.edit(editRow(rig.value, 'changeSound', 'sounds', one.id, { name }))
  const id = newIds.sound()
  const row: Sound = { ...BLANK_SOUND, id, order: lastOrder(rig.value.sounds), name }
  if (rigs.edit(addRow('addSound', 'sounds', row))) select({ kind: 'sound', soundId: id })
}

const rowsOf = ({ top, bottom }: Block) => sounds.value.slice(top, bottom + 1)
const columnsOf = ({ left, right }: Block) => devices.value.slice(Math.max(0, left - 1), right)

function clear(block: Block): void {
  const rows = rowsOf(block)
  if (block.left === 0 && block.right === 0) {
    const used = rows.find(({ id }) => useCount(usedBy(rig.value, 'sounds', id)) > 0)
    if (used) {
      news.value = `${used.name} is used: see at the right what its removal touches, and remove it there.`
      return
    }
    rigs.edit(
      removeSounds(
        rig.value,
        rows.map(({ id }) => id),
      ),
    )
    news.value = `${count(rows.length, 'sound')} removed. Undo brings ${rows.length === 1 ? 'it' : 'them'} back.`
    return
  }
  const writes = rows.flatMap((row) =>
    columnsOf(block).map((one): CellWrite => ({ soundId: row.id, deviceId: one.id, cell: null })),
  )
  rigs.edit(setCells(rig.value, writes, newIds))
}

/** The first row of the block in all rows below it. */
function fillDown(block: Block): void {
  const [first, ...below] = rowsOf(block)
  if (!first) return
  const said = spokenCells(rig.value, first)
  const writes = below.flatMap((row) =>
    columnsOf(block).map((one): CellWrite => {
      const cell = said.get(one.id)?.cell
      return { soundId: row.id, deviceId: one.id, cell: cell ? typed(cell) : null }
    }),
  )
  rigs.edit(setCells(rig.value, writes, newIds))
}

function typed(cell: Sound['cells'][number]['cell']): TypedCell {
  if (cell.kind !== 'preset') return cell
  return { kind: 'preset', index: own(rig.value.presets, cell.presetId)!.index, values: cell.values }
}

function copy(block: Block, data: DataTransfer): void {
  data.setData('text/plain', blockText(rig.value, sounds.value, devices.value, block))
  news.value = 'Copied.'
}

function paste(at: Place, text: string): void {
  const { data } = Papa.parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n$/, ''), { delimiter: '\t' })
  const made = pasteCells(rig.value, data, at, newIds)
  rigs.edit(made.edit)
  faults.value = made.faults
  news.value = `${count(made.taken, 'cell')} taken${made.faults.length > 0 ? `, ${made.faults.length} left out` : ''}.`
}

function send(one: Sound): void {
  floor.sendSound(one.id)
  news.value = `${one.name} sent.`
}

/** The floor as it is now, into this sound, or into a new one below the last. */
function takeFloor(one: Sound | null): void {
  if (!floor.state) return
  const cells = floorCells(rig.value, floor.state)
  if (cells.size === 0) {
    news.value = 'Nothing is known of the floor yet. Step on a switch, or send a sound first.'
    return
  }
  const id = one?.id ?? newIds.sound()
  const name = `Floor, ${sounds.value.length + 1}`
  const row: Sound = one ?? { ...BLANK_SOUND, id, order: lastOrder(rig.value.sounds), name }
  const edit = setCells(
    withChanges(rig.value, [change('sounds', id, null, row)]),
    [...cells].map(([deviceId, cell]): CellWrite => ({ soundId: id, deviceId, cell })),
    newIds,
  )
  if (!edit) {
    news.value = 'It says all of this already.'
    return
  }
  // One step to undo, whether the sound was there before or not.
  const changes = edit.changes.map((each) =>
    each.table === 'sounds' ? change('sounds', id, one, each.after) : each,
  )
  if (!rigs.edit({ label: 'takeFloor', changes })) return
  select({ kind: 'sound', soundId: id })
  news.value = `Taken: what is known of ${count(cells.size, 'device')}.`
}

async function move(id: SoundId, to: number): Promise<void> {
  rigs.edit(moveSound(rig.value, id, to))
  await nextTick()
}

/** The pair on view: from the sound before, to the one chosen. */
const pair = shallowRef<{ readonly from: SoundId; readonly to: SoundId } | null>(null)
const from = computed(() => own(rig.value.sounds, pair.value?.from ?? '') ?? sounds.value[0] ?? null)
const to = computed(() => own(rig.value.sounds, pair.value?.to ?? '') ?? sounds.value[1] ?? null)
</script>

<template>
  <ViewFrame title="Sounds" :summary="summary" inspector="What is chosen">
    <p v-if="devices.length === 0" class="empty">
      A sound says what every device should be. There is none yet:
      <RouterLink :to="`/rigs/${rigs.rigId}/rig`">add the first in Rig</RouterLink>.
    </p>
    <template v-else>
      <div class="bar">
        <TabRow label="Parts of Sounds" :tabs="TABS" :current="tab" @go="tab = $event" />
        <p class="unsaid">
          Not said:
          <button type="button" class="word" @click="tab = 'school'">{{ unsaidText }}</button>
        </p>
      </div>
      <template v-if="tab === 'table'">
        <SoundTable
          :rig="rig"
          :sounds="sounds"
          :devices="devices"
          :found="ours"
          :chosen="chosen"
          @choose="choose"
          @cell="takeCell"
          @name="takeName"
          @clear="clear"
          @fill-down="fillDown"
          @move="move"
          @send="send"
          @take-floor="takeFloor"
          @copy="copy"
          @paste="paste"
        />
        <div v-if="faults.length > 0" class="faults" role="alert">
          <p>
            <b>Left out of what you pasted, nothing else was changed by it:</b>
            <button type="button" class="word" @click="faults = []">Close</button>
          </p>
          <ul>
            <li v-for="(one, n) in faults.slice(0, 50)" :key="n">{{ pasteFaultText(one) }}</li>
          </ul>
          <p v-if="faults.length > 50">and {{ faults.length - 50 }} more.</p>
        </div>
        <p class="keys">
          <span role="status">{{ news }}</span>
          <span>Type over a cell. F8 sends the sound, F9 takes the floor, Alt with arrows moves it.</span>
        </p>
      </template>
      <MatrixPane
        v-else-if="tab === 'between' && sounds.length > 1"
        :rig="rig"
        :from="from?.id ?? null"
        :to="to?.id ?? null"
        @choose="(a, b) => (pair = { from: a, to: b })"
      />
      <p v-else-if="tab === 'between'" class="empty">
        With two sounds or more, this shows what happens from each to each: what stays on, what falls silent,
        what jumps.
      </p>
      <SchoolPane v-else :rig="rig" />
    </template>
    <template #inspector>
      <PairInspector v-if="tab === 'between' && from && to" :rig="rig" :from="from" :to="to" />
      <CellInspector
        v-else-if="tab === 'table' && sound && device"
        :rig="rig"
        :sound="sound"
        :device="device"
        :found="foundHere"
      />
      <SoundInspector
        v-else-if="tab === 'table' && sound"
        :key="sound.id"
        :rig="rig"
        :sound="sound"
        :found="foundHere"
        @send="send(sound)"
        @take-floor="takeFloor(sound)"
      />
      <div v-else class="notes">
        <FindingNote v-for="(one, n) in ours" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
        <p v-if="sounds.length === 0" class="soft">
          A sound says once what the whole rig should be; Wire Step works out the messages and their order.
          Type a name into the table, then a cell for each device: a preset, “mix 35”, off, rest or leave.
        </p>
        <p v-else-if="ours.length === 0" class="soft">Nothing to say about these sounds.</p>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: end;
  justify-content: space-between;
  gap: 14px;
  border-bottom: 1px solid var(--line);
}

.bar :deep(.strip) {
  border-bottom: 0;
}

.unsaid {
  padding-bottom: 5px;
  color: var(--ink-soft);
  font-size: 13px;
}

.empty {
  max-width: 460px;
  padding: 24px 0;
}

.keys {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  padding-top: 5px;
  color: var(--ink-soft);
  font-size: 12px;
}

.faults {
  max-height: 30%;
  overflow: auto;
  padding: 8px 12px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
  font-size: 13px;
}

.notes {
  display: grid;
  gap: 12px;
}
</style>
