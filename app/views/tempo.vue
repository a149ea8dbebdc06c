<script setup lang="ts">
import { computed, ref } from 'vue'
import { own } from '#core/base'
import { inOrder, type SongId } from '#core/rig'
import { deviceState } from '#core/simulate'
import { tempoNow } from '#core/switching'
import { keptAt, timeUnit } from '#core/tempo'
import type { BeatEcho } from '~/charts/beatAxis'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import BeatAxis from '~/components/tempo/BeatAxis.vue'
import ClockInspector from '~/components/tempo/ClockInspector.vue'
import ClockPane from '~/components/tempo/ClockPane.vue'
import LoopInspector from '~/components/tempo/LoopInspector.vue'
import LoopPane from '~/components/tempo/LoopPane.vue'
import SongInspector from '~/components/tempo/SongInspector.vue'
import SongTable from '~/components/tempo/SongTable.vue'
import TapInInspector from '~/components/tempo/TapInInspector.vue'
import TapOutPane from '~/components/tempo/TapOutPane.vue'
import TempoNow from '~/components/tempo/TempoNow.vue'
import TimeInspector from '~/components/tempo/TimeInspector.vue'
import TimesPane from '~/components/tempo/TimesPane.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { bpmText, tempoFromText } from '~/text/tempo'

const rigs = useRigStore()
const floor = useFloorStore()
const rig = computed(() => rigs.rig!)

type Pane = 'beat' | 'times' | 'tapOut' | 'clock' | 'loops'
const pane = ref<Pane>('beat')
const OF: Record<Pane, readonly string[]> = {
  beat: ['tapOutLate', 'tapOutMissing'],
  times: ['offBeat'],
  tapOut: ['tapOutCannot'],
  clock: ['clockHarm', 'twoClocks'],
  loops: ['loopClear', 'loopStop', 'loopTempo'],
}
const TEXT: Record<Pane, string> = {
  beat: 'Beat',
  times: 'Times',
  tapOut: 'Tap out',
  clock: 'Clock',
  loops: 'Loops',
}
const panes = computed(() =>
  (Object.keys(OF) as Pane[]).map((key) => ({
    key,
    text: TEXT[key],
    found: rigs.found.filter(({ code }) => OF[key].includes(code)),
  })),
)

const chosen = ref<Record<Pane, string | null>>({
  beat: null,
  times: null,
  tapOut: null,
  clock: null,
  loops: null,
})
const song = computed(() => {
  const songs = inOrder(rig.value.songs)
  const wanted = chosen.value.beat ?? floor.state?.known.songId ?? null
  return songs.find(({ id }) => id === wanted) ?? songs[0] ?? null
})
const control = computed(() => {
  const wanted = own(rig.value.controls, chosen.value.times ?? '')
  return wanted ?? Object.values(rig.value.controls).find((one) => one.division !== null) ?? null
})
const tapped = computed(() => {
  const all = inOrder(rig.value.devices).filter(({ tapIn }) => tapIn !== null)
  return all.find(({ id }) => id === chosen.value.tapOut) ?? all[0] ?? null
})
const clocked = computed(() => {
  const wanted = chosen.value.clock ?? ''
  return own(rig.value.devices, wanted) || own(rig.value.controllers, wanted)
    ? wanted
    : (inOrder(rig.value.controllers)[0]?.id ?? null)
})
const looper = computed(() => {
  const all = inOrder(rig.value.devices).filter((one) => one.looper !== null)
  return all.find(({ id }) => id === chosen.value.loops) ?? all[0] ?? null
})

const now = computed(() => (floor.state ? tempoNow(floor.state.known) : null))
const summary = computed(() =>
  now.value ? `${bpmText(now.value.bpm)} bpm, ${tempoFromText(rig.value, now.value.from)}` : '',
)
/** A number, so that what hangs on it is not made anew at every clock. */
const bpm = computed(() => now.value?.bpm ?? null)
/** More rows than these push the songs out of sight. */
const ECHOES_SHOWN = 8
/** Lengths that repeat at the tempo of now, as their nearest values make them. */
const echoes = computed((): BeatEcho[] =>
  inOrder(rig.value.devices).flatMap((device) =>
    inOrder(rig.value.controls).flatMap((one): BeatEcho[] => {
      if (
        one.deviceId !== device.id ||
        one.division === null ||
        timeUnit(one) === 'notes' ||
        bpm.value === null
      )
        return []
      const kept = keptAt(one, bpm.value, one.division)
      return kept?.kind === 'near'
        ? [{ name: `${device.name}: ${one.name}`, division: one.division, reachedMs: kept.lengthMs }]
        : []
    }),
  ),
)
const NO_TAPS: readonly number[] = []
const hasClock = computed(
  () =>
    floor.state !== null &&
    (floor.state.known.clock ||
      inOrder(rig.value.devices).some(
        ({ id }) => floor.state !== null && deviceState(floor.state, id).beat?.by === 'clock',
      )),
)
</script>

<template>
  <ViewFrame title="Tempo" :summary="summary" inspector="What is chosen">
    <TabRow label="Parts of the tempo" :tabs="panes" :current="pane" @go="pane = $event" />
    <div v-if="pane === 'beat'" class="tab-pane beat">
      <TempoNow :rig="rig" />
      <BeatAxis
        v-if="bpm !== null"
        :bpm="bpm"
        :taps="floor.state?.known.taps ?? NO_TAPS"
        :has-clock="hasClock"
        :echoes="echoes.slice(0, ECHOES_SHOWN)"
      />
      <p v-if="echoes.length > ECHOES_SHOWN" class="soft">
        {{ echoes.length - ECHOES_SHOWN }} more times are kept: see Times.
      </p>
      <SongTable :rig="rig" :chosen="song?.id ?? null" @choose="chosen.beat = $event" />
    </div>
    <TimesPane
      v-else-if="pane === 'times'"
      :rig="rig"
      :chosen="control?.id ?? null"
      @choose="chosen.times = $event"
    />
    <TapOutPane
      v-else-if="pane === 'tapOut'"
      :rig="rig"
      :chosen="tapped?.id ?? null"
      @choose="chosen.tapOut = $event"
    />
    <ClockPane v-else-if="pane === 'clock'" :rig="rig" :chosen="clocked" @choose="chosen.clock = $event" />
    <LoopPane v-else :rig="rig" :chosen="looper?.id ?? null" @choose="chosen.loops = $event" />
    <template #inspector>
      <SongInspector
        v-if="pane === 'beat' && song"
        :key="song.id as SongId"
        :rig="rig"
        :song="song"
        @gone="chosen.beat = null"
      />
      <TimeInspector
        v-else-if="pane === 'times' && control"
        :key="control.id"
        :rig="rig"
        :control="control"
      />
      <TapInInspector
        v-else-if="pane === 'tapOut' && tapped?.tapIn"
        :key="tapped.id"
        :rig="rig"
        :device="tapped"
        :tap-in="tapped.tapIn"
      />
      <ClockInspector v-else-if="pane === 'clock' && clocked" :key="clocked" :rig="rig" :box="clocked" />
      <LoopInspector
        v-else-if="pane === 'loops'"
        :rig="rig"
        :device="looper"
        @choose="chosen.loops = $event"
      />
      <p v-else class="soft">
        One tempo for the whole floor: stored with songs and sounds, overridden by foot, told to every device
        in its own way.
      </p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.beat {
  container-type: inline-size;
  align-content: start;
}
</style>
