<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import {
  addRow,
  BLANK_BANK,
  byIndex,
  clearSwitches,
  copySwitch,
  findSwitch,
  isProgrammed,
  moveSwitch,
  nextBankIndex,
  placeKey,
  switchCount,
  swapSwitches,
  type Bank,
  type BankId,
  type Footswitch,
  type SwitchId,
  type SwitchSlot,
} from '#core/rig'
import { jackPlaces } from '#core/simulate'
import { switchName } from '#core/sound'
import { NOTHING_KNOWN } from '#core/switching'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import BankInspector from '~/components/switches/BankInspector.vue'
import BankTabs from '~/components/switches/BankTabs.vue'
import PutBar from '~/components/switches/PutBar.vue'
import SwitchGrid from '~/components/switches/SwitchGrid.vue'
import SwitchInspector from '~/components/switches/SwitchInspector.vue'
import type { Place } from '~/components/switches/switchPlaces'
import { switchTabs, isAboutFit, type SwitchTab } from '~/components/switches/switchTabs'
import { useTypeHere } from '~/composables/useTypeHere'
import { useSelection } from '~/composables/useSelection'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { placeText } from '~/text/switchPlaces'

// Fetched when they are opened: the floor is what a visit begins with.
const BankMapPane = defineAsyncComponent(() => import('~/components/switches/BankMapPane.vue'))
const FillDialog = defineAsyncComponent(() => import('~/components/switches/FillDialog.vue'))
const FitPane = defineAsyncComponent(() => import('~/components/switches/FitPane.vue'))
const MacroInspector = defineAsyncComponent(() => import('~/components/switches/MacroInspector.vue'))
const MacrosPane = defineAsyncComponent(() => import('~/components/switches/MacrosPane.vue'))
const ManyInspector = defineAsyncComponent(() => import('~/components/switches/ManyInspector.vue'))
const SeriesDialog = defineAsyncComponent(() => import('~/components/switches/SeriesDialog.vue'))

const rigs = useRigStore()
const floor = useFloorStore()
const { selection, select } = useSelection()

const rig = computed(() => rigs.rig!)
const banks = computed(() => byIndex(rig.value.banks))
const tab = ref<SwitchTab>('floor')
const summary = computed(() => {
  const { controller } = floor
  if (!controller) return ''
  const programmed = Object.values(rig.value.switches).filter(isProgrammed).length
  return `${count(switchCount(controller), 'switch', 'switches')}, ${banks.value.length} of ${count(controller.bankCount, 'bank')} used, ${count(programmed, 'switch', 'switches')} programmed`
})
const fits = computed(() => rigs.found.filter(isAboutFit))
const tabs = computed(() => switchTabs(rig.value, rigs.found))

/** The place chosen in this bank; null while the bank itself is. */
const chosen = computed((): Place | null => {
  const one = selection.value
  return one?.kind === 'switch' && one.bankId === floor.bank?.id
    ? { number: one.number, jack: one.jack ?? '' }
    : null
})
const slotAt = (place: Place, id: SwitchId = nanoid(12) as SwitchId): SwitchSlot => ({
  bankId: floor.bank!.id,
  layer: floor.layer,
  ...place,
  newId: id,
})
/** The row that stands in this very bank, not one from every bank. */
const rowAt = (place: Place): Footswitch | null =>
  floor.bank
    ? findSwitch(rig.value, floor.bank.id, place.number, { jack: place.jack, layer: floor.layer })
    : null

/** Several places chosen at once. */
const marked = shallowRef<ReadonlySet<string>>(new Set())
/** Copies not looked at yet: by id, what they were copied from. */
const fresh = shallowRef<ReadonlyMap<string, string>>(new Map())
watch(
  () => [floor.bank?.id, floor.layer],
  () => {
    marked.value = new Set()
    pending.value = null
  },
)
const placeOf = (key: string): Place => {
  const [jack = '', number = '1'] = key.split('/')
  return { jack, number: Number(number) }
}
const many = computed(() =>
  marked.value.size > 1 ? [...marked.value].map((key) => slotAt(placeOf(key), key as SwitchId)) : null,
)

function choose(place: Place): void {
  if (!floor.bank) return
  const row = rowAt(place)
  // Looked at: it is no longer a copy nobody checked.
  if (row && fresh.value.has(row.id)) fresh.value = new Map([...fresh.value].filter(([id]) => id !== row.id))
  select({ kind: 'switch', bankId: floor.bank.id, ...place })
}

function plainChoice(place: Place): void {
  if (!isMarking) marked.value = new Set()
  isMarking = false
  choose(place)
}
let isMarking = false

/** Marks one more; the one chosen before belongs to them. */
function mark(place: Place): void {
  const before = chosen.value && marked.value.size === 0 ? [placeKey(chosen.value)] : []
  const next = new Set([...marked.value, ...before])
  const key = placeKey(place)
  if (next.has(key) && marked.value.has(key)) next.delete(key)
  else next.add(key)
  marked.value = next
  isMarking = true
  choose(place)
  void nextTick(() => (isMarking = false))
}

const chosenFindings = computed(() => {
  const row = chosen.value && rowAt(chosen.value)
  return rigs.found.filter(({ about }) => about.table === 'switches' && about.id === row?.id)
})
const bankFindings = computed(() =>
  rigs.found.filter(({ about }) => about.table === 'banks' && about.id === floor.bank?.id),
)

/** What was copied or cut, and where it would go over something. */
const taken = shallowRef<{ readonly id: SwitchId; readonly way: 'copy' | 'move' } | null>(null)
type Way = 'copy' | 'move' | 'swap'
const pending = shallowRef<{
  readonly from: SwitchId
  readonly to: Place
  readonly ways: readonly Way[]
} | null>(null)
const nameOf = (row: Footswitch) =>
  (floor.controller && switchName(rig.value, row, floor.controller)) || `switch ${row.number}`
const askText = computed(() => {
  const one = pending.value
  const [source, there] = [one && own(rig.value.switches, one.from), one && rowAt(one.to)]
  if (!one || !source || !floor.controller) return ''
  const over = there && isProgrammed(there) ? `, over "${nameOf(there)}"` : ''
  return `Put "${nameOf(source)}" on ${placeText(rig.value, floor.controller, one.to)}${over}?`
})
const WAY_TEXT: Record<Way, string> = { copy: 'Copy', move: 'Move', swap: 'Change places' }

function put(from: SwitchId, to: Place, way: Way): void {
  pending.value = null
  const slot = slotAt(to)
  const source = own(rig.value.switches, from)
  const edit =
    way === 'copy'
      ? copySwitch(rig.value, from, slot)
      : way === 'move'
        ? moveSwitch(rig.value, from, slot)
        : swapSwitches(rig.value, from, slot)
  if (!rigs.edit(edit)) return
  if (way === 'copy' && source)
    keepFresh(
      [rowAt(to)].flatMap((row) => row ?? []),
      source,
    )
  if (way === 'move') taken.value = null
}

/** Copies that still equal their original are marked until they are looked at. */
function keepFresh(copies: readonly Footswitch[], source: Footswitch): void {
  const name = nameOf(source)
  fresh.value = new Map([...fresh.value, ...copies.map((row) => [row.id, name] as const)])
}

/** At once where nothing is there; else asked first. */
function putOrAsk(from: SwitchId, to: Place, ways: readonly Way[]): void {
  const there = rowAt(to)
  if (there?.id === from) return
  const isFree = !there || !isProgrammed(there)
  if (isFree && ways.length === 1) put(from, to, ways[0]!)
  else pending.value = { from, to, ways: isFree ? ways.filter((way) => way !== 'swap') : ways }
}

function take(way: 'copy' | 'move'): void {
  const row = chosen.value && rowAt(chosen.value)
  if (row) taken.value = { id: row.id, way }
}
const paste = (): void => {
  if (taken.value && chosen.value) putOrAsk(taken.value.id, chosen.value, [taken.value.way])
}
const swap = (): void => {
  if (taken.value && chosen.value) putOrAsk(taken.value.id, chosen.value, ['swap'])
}
function drop(from: Place, to: Place): void {
  const row = rowAt(from)
  if (row) putOrAsk(row.id, to, ['copy', 'move', 'swap'])
}
function clear(): void {
  const rows = (marked.value.size > 1 ? [...marked.value].map(placeOf) : [chosen.value]).flatMap(
    (place) => (place && rowAt(place)) ?? [],
  )
  rigs.edit(
    clearSwitches(
      rig.value,
      rows.map(({ id }) => id),
    ),
  )
}

const inspected = useTemplateRef<{ focus: () => void }>('inspected')
useTypeHere(() => {
  tab.value = 'floor'
  if (!chosen.value) choose({ jack: '', number: 1 })
  void nextTick(() => inspected.value?.focus())
})
const grid = useTemplateRef<{ focus: () => void }>('grid')

/** Places of this bank in the order a foot counts them. */
const places = computed((): Place[] => {
  const { controller } = floor
  if (!controller) return []
  const owns = Array.from({ length: switchCount(controller) }, (_, n): Place => ({ jack: '', number: n + 1 }))
  return [...owns, ...jackPlaces(rig.value, controller).map(({ jack, number }) => ({ jack, number }))]
})
const isSeries = ref(false)
const isFilling = ref(false)
const seriesSource = computed(() => (chosen.value ? rowAt(chosen.value) : null))
const seriesSlots = computed(() => {
  const at = places.value.findIndex((one) => chosen.value && placeKey(one) === placeKey(chosen.value))
  return at < 0 ? [] : places.value.slice(at + 1).map((place) => slotAt(place))
})
const fillSlots = computed(() =>
  floor.bank ? places.value.filter(({ jack }) => jack === '').map((place) => slotAt(place)) : [],
)

/** The same place in another bank; the bank itself where it is in view already. */
function goTo(bank: Bank): void {
  const one = bank.id === floor.bank?.id ? null : selection.value
  marked.value = new Set()
  floor.goToBank(bank.id)
  select(one?.kind === 'switch' ? { ...one, bankId: bank.id } : { kind: 'bank', bankId: bank.id })
}

function goFromMap(bank: Bank): void {
  floor.goToBank(bank.id)
  select({ kind: 'bank', bankId: bank.id })
}

function addBank(): void {
  const { controller } = floor
  const index = controller && nextBankIndex(rig.value, controller)
  if (!controller || index === null) return
  const bank: Bank = { ...BLANK_BANK, id: nanoid(12) as BankId, controllerId: controller.id, index }
  if (!rigs.edit(addRow('addBank', 'banks', bank))) return
  floor.goToBank(bank.id)
  select({ kind: 'bank', bankId: bank.id })
}

const canAdd = computed(
  () => floor.controller !== null && nextBankIndex(rig.value, floor.controller) !== null,
)
const LAYERS = [
  { value: 'base', text: 'Base' },
  { value: 'shift', text: 'Shift' },
] as const
const macro = computed(() => {
  const one = selection.value
  return one?.kind === 'macro' ? (own(rig.value.macros, one.macroId) ?? null) : null
})
/** Two findings may be about one thing: told apart by their place in the list. */
const foundNow = computed((): readonly Finding[] => rigs.found)
</script>

<template>
  <ViewFrame title="Switches" :summary="summary" inspector="What is chosen">
    <p v-if="!floor.controller" class="empty">
      There is no foot controller yet.
      <RouterLink :to="`/rigs/${rigs.rigId}/rig`">Choose one in Rig</RouterLink>, then come back to say what
      its switches do.
    </p>
    <template v-else>
      <TabRow label="Parts of switches" :tabs="tabs" :current="tab" @go="tab = $event" />
      <template v-if="tab === 'floor'">
        <BankTabs
          :banks="banks"
          :current-id="floor.bank?.id ?? null"
          :first="floor.controller.firstBank"
          :home="floor.controller.home ?? banks[0]?.id ?? null"
          :found="foundNow"
          :can-add="canAdd"
          @go="goTo"
          @add="addBank"
        >
          <ChoiceRow
            v-if="floor.controller.hasShift && floor.bank"
            label="Layer"
            is-quiet
            :value="floor.layer"
            :choices="LAYERS"
            @choose="floor.goToLayer($event)"
          />
        </BankTabs>
        <div v-if="!floor.bank" class="empty">
          <p>
            This controller has no bank yet. The first one holds the switches you step on when the show
            begins.
          </p>
          <Button label="Add the first bank" @click="addBank" />
        </div>
        <template v-else>
          <PutBar
            v-if="pending"
            :text="askText"
            :ways="pending.ways.map((key) => ({ key, text: WAY_TEXT[key] }))"
            @go="put(pending.from, pending.to, $event as Way)"
            @cancel="((pending = null), grid?.focus())"
          />
          <SwitchGrid
            ref="grid"
            :rig="rig"
            :bank="floor.bank"
            :controller="floor.controller"
            :here="floor.places"
            :known="floor.state?.known ?? NOTHING_KNOWN"
            :chosen="chosen ? placeKey(chosen) : null"
            :marked="marked"
            :found="foundNow"
            :fresh="fresh"
            @choose="plainChoice"
            @mark="mark"
            @open="inspected?.focus()"
            @copy="take('copy')"
            @cut="take('move')"
            @paste="paste"
            @swap="swap"
            @series="isSeries = seriesSource !== null"
            @clear="clear"
            @drop="drop"
          />
        </template>
      </template>
      <BankMapPane
        v-else-if="tab === 'map'"
        :rig="rig"
        :controller="floor.controller"
        :bank-id="floor.bank?.id ?? null"
        @go="goFromMap"
      />
      <MacrosPane
        v-else-if="tab === 'macros'"
        :rig="rig"
        :chosen="macro?.id ?? null"
        @choose="select({ kind: 'macro', macroId: $event })"
      />
      <FitPane v-else :rig="rig" :controller="floor.controller" :found="fits" />
    </template>
    <template v-if="floor.controller">
      <SeriesDialog
        v-if="seriesSource && isSeries"
        v-model="isSeries"
        :rig="rig"
        :source="seriesSource"
        :slots="seriesSlots"
        :controller="floor.controller"
        @made="seriesSource && keepFresh($event, seriesSource)"
      />
      <FillDialog
        v-if="isFilling"
        v-model="isFilling"
        :rig="rig"
        :slots="fillSlots"
        :controller="floor.controller"
      />
    </template>
    <template #inspector>
      <template v-if="tab === 'macros'">
        <MacroInspector v-if="macro" :rig="rig" :macro="macro" :controller="floor.controller" />
        <p v-else class="soft">Choose a macro to say what it does.</p>
      </template>
      <ManyInspector
        v-else-if="many && floor.controller"
        :rig="rig"
        :slots="many"
        :controller="floor.controller"
      />
      <SwitchInspector
        v-else-if="floor.bank && floor.controller && chosen"
        ref="inspected"
        :rig="rig"
        :bank="floor.bank"
        :controller="floor.controller"
        :at="{ ...chosen, layer: floor.layer }"
        :found="chosenFindings"
        @series="isSeries = true"
        @leave="grid?.focus()"
      />
      <BankInspector
        v-else-if="floor.bank && floor.controller"
        :key="floor.bank.id"
        :rig="rig"
        :bank="floor.bank"
        :controller="floor.controller"
        :found="bankFindings"
        @fill="isFilling = true"
      />
      <p v-else class="soft">Nothing to show yet.</p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.empty {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 460px;
  padding: 28px 0;
}

p.empty {
  display: block;
}
</style>
