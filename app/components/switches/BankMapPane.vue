<script setup lang="ts">
import { computed, ref } from 'vue'
import { own } from '#core/base'
import type { Bank, Controller, Rig, SoundId } from '#core/rig'
import { bankMap, pressesBetween } from '#core/switching'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { bankText } from '#shared/actions/travel'
import { count } from '#shared/words/counts'

/** Banks as places the foot goes between: how far each is from home, what cannot be left, how far two sounds are apart. */
const { rig, controller, bankId } = defineProps<{
  rig: Rig
  controller: Controller
  bankId: string | null
}>()
const emit = defineEmits<{ go: [bank: Bank] }>()

const map = computed(() => bankMap(rig, controller.id))

const BOX = { width: 148, height: 52 }
const GAP = { x: 76, y: 18 }

/** Columns are presses from home; what no way leads to stands in the last. A shift layer is part of its bank's box. */
const boxes = computed(() => {
  const one = map.value
  if (!one) return []
  const fromHome = one.presses[one.home]!
  const troubleOf = (n: number): string =>
    one.noWayHome.includes(n)
      ? one.deadEnds.includes(n)
        ? 'dead end'
        : 'no way home'
      : fromHome[n] === Infinity
        ? 'no way here'
        : ''
  const shown = one.spots.flatMap((spot, n) =>
    spot.layer === 'base' ? [{ spot, n, presses: fromHome[n]! }] : [],
  )
  const far = Math.max(0, ...shown.flatMap(({ presses }) => (presses < Infinity ? [presses] : [])))
  const rows = new Map<number, number>()
  return shown.map(({ spot, n, presses }) => {
    const column = presses < Infinity ? presses : far + 1
    const row = rows.get(column) ?? 0
    rows.set(column, row + 1)
    const shift = one.spots.findIndex((other) => other.bank.id === spot.bank.id && other.layer === 'shift')
    const isShifted = shift >= 0 && fromHome[shift]! < Infinity
    const shiftTrouble = isShifted ? troubleOf(shift) : ''
    const notes = [
      n === one.home ? 'home' : '',
      spot.bank.pageOf === null ? '' : 'page',
      troubleOf(n),
      presses > 0 && presses < Infinity ? count(presses, 'press', 'presses') : '',
      isShifted ? 'shift' : '',
      shiftTrouble && `shift: ${shiftTrouble}`,
    ]
    return {
      n,
      spot,
      isTroubled: troubleOf(n) !== '' || shiftTrouble !== '',
      x: 12 + column * (BOX.width + GAP.x),
      y: 12 + row * (BOX.height + GAP.y),
      name: bankText(rig, spot.bank.id),
      isPage: spot.bank.pageOf !== null,
      note: notes.filter(Boolean).join(', '),
    }
  })
})
const size = computed(() => ({
  width: Math.max(320, ...boxes.value.map(({ x }) => x + BOX.width + 30)),
  height: Math.max(90, ...boxes.value.map(({ y }) => y + BOX.height + 16)),
}))

interface Point {
  readonly x: number
  readonly y: number
}

/** Level at both ends; one that stays in its column goes round by the side. */
function curve(from: Point, to: Point, isBeside: boolean): string {
  const [a, b] = isBeside ? [from.x + 44, to.x + 44] : [(from.x + to.x) / 2, (from.x + to.x) / 2]
  return `M${from.x},${from.y}C${a},${from.y} ${b},${to.y} ${to.x},${to.y}`
}

/** One line for each pair, however many switches lead there. */
const lines = computed(() => {
  const seen = new Map<string, { from: number; to: number; by: string[] }>()
  for (const { from, to, by } of map.value?.ways ?? []) {
    const key = `${from}/${to}`
    const one = seen.get(key) ?? { from, to, by: [] }
    const name = by ? String(by.number) : 'bank keys'
    if (!one.by.includes(name)) one.by.push(name)
    seen.set(key, one)
  }
  return [...seen.values()].flatMap(({ from, to, by }) => {
    const [a, b] = [boxes.value.find(({ n }) => n === from), boxes.value.find(({ n }) => n === to)]
    if (!a || !b) return []
    const isForth = b.x > a.x
    const isBeside = b.x === a.x
    // Ways forth leave above the middle, ways back below, so that both can be seen.
    const shift = isForth ? -9 : 9
    const source = { x: isForth || isBeside ? a.x + BOX.width : a.x, y: a.y + BOX.height / 2 + shift }
    const target = { x: isForth ? b.x : b.x + BOX.width, y: b.y + BOX.height / 2 + shift }
    // Of all ways those of the bank in view are told apart, with the switches that lead there.
    const isFromHere = a.spot.bank.id === bankId
    return [
      {
        key: `${from}-${to}`,
        path: curve(source, target, isBeside),
        isBack: !isForth,
        isFromHere,
        by: isFromHere ? by.join(', ') : '',
        at: { x: target.x + (isForth ? -12 : 12), y: target.y - 4 },
        anchor: isForth ? ('end' as const) : ('start' as const),
      },
    ]
  })
})
const summary = computed(() => {
  const one = map.value
  if (!one) return ''
  const parts = [count(one.spots.filter(({ layer }) => layer === 'base').length, 'bank')]
  if (one.noWayHome.length > 0) parts.push(`${one.noWayHome.length} without a way home`)
  if (one.unreached.length > 0) parts.push(`${one.unreached.length} no switch leads to`)
  return parts.join(', ')
})

const sounds = computed(() =>
  [...(map.value?.sounds.keys() ?? [])]
    .flatMap((id) => {
      const sound = own(rig.sounds, id)
      return sound ? [sound] : []
    })
    .sort((a, b) => a.order - b.order),
)
const choices = computed(() => sounds.value.map(({ id, name }) => ({ value: id as string, text: name })))
const from = ref('')
const start = computed(() => (own(rig.sounds, from.value)?.id ?? sounds.value[0]?.id ?? '') as SoundId | '')
const distances = computed(() => {
  const one = map.value
  if (!one || start.value === '') return []
  const first = start.value
  return sounds.value
    .filter(({ id }) => id !== first)
    .map(({ id, name }) => ({ id, name, presses: pressesBetween(one, first, id) }))
    .sort((a, b) => (a.presses ?? Infinity) - (b.presses ?? Infinity))
})
</script>

<template>
  <div class="pane">
    <p v-if="!map">There is no bank yet. Add the first one under Floor.</p>
    <template v-else>
      <p class="soft">
        {{ summary }}. Columns are presses from home; the ways from the bank in view are dark, with the
        switches that lead there.
      </p>
      <div class="map" role="group" aria-label="Map of banks" tabindex="0">
        <svg :width="size.width" :height="size.height" aria-hidden="true">
          <defs>
            <marker
              id="tip"
              viewBox="0 0 8 8"
              refX="7"
              refY="4"
              markerWidth="9"
              markerHeight="9"
              markerUnits="userSpaceOnUse"
              orient="auto"
            >
              <path d="M0,0L8,4L0,8z" class="tip" />
            </marker>
          </defs>
          <g v-for="line in lines" :key="line.key">
            <path
              :d="line.path"
              class="way"
              :class="{ back: line.isBack, mine: line.isFromHere }"
              marker-end="url(#tip)"
            />
            <text v-if="line.by" class="by mono" :x="line.at.x" :y="line.at.y" :text-anchor="line.anchor">
              {{ line.by }}
            </text>
          </g>
        </svg>
        <button
          v-for="box in boxes"
          :key="box.n"
          type="button"
          class="box"
          :class="{
            here: box.spot.bank.id === bankId && box.spot.layer === 'base',
            trouble: box.isTroubled,
            page: box.isPage,
          }"
          :style="{
            left: `${box.x}px`,
            top: `${box.y}px`,
            width: `${BOX.width}px`,
            height: `${BOX.height}px`,
          }"
          @click="emit('go', box.spot.bank)"
        >
          <span class="name">{{ box.name }}</span>
          <span class="note">
            {{ box.note }}
          </span>
        </button>
      </div>
      <section v-if="sounds.length > 1" class="sounds">
        <ChoiceField
          label="Presses from"
          :value="start as string"
          :choices="choices"
          @choose="from = $event"
        />
        <ul aria-label="Presses to each sound">
          <li v-for="line in distances" :key="line.id">
            <span class="mono presses">{{ line.presses ?? 'no way' }}</span> {{ line.name }}
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.pane {
  flex: 1;
  display: grid;
  align-content: start;
  gap: 10px;
  min-height: 0;
  overflow: auto;
  padding: 12px 2px;
}

.map {
  position: relative;
  overflow: auto;
}

svg {
  display: block;
}

.way {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.4;
}

.way.mine {
  stroke: var(--ink);
  stroke-width: 2;
}

.way.back {
  stroke-dasharray: 4 3;
}

.tip {
  fill: var(--line-strong);
}

.by {
  font-size: 10px;
  fill: var(--ink-soft);
}

.box {
  position: absolute;
  display: grid;
  align-content: center;
  padding: 4px 9px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
}

.box.page {
  border-style: double;
  border-width: 3px;
}

.box.here {
  border-color: var(--ink);
  box-shadow: 0 0 0 1px var(--ink);
}

.box.trouble {
  border-left: 4px solid var(--error);
}

.name {
  overflow: hidden;
  font: 700 14px/1.25 var(--display);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.note {
  overflow: hidden;
  font-size: 11px;
  color: var(--ink-soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.trouble .note {
  color: var(--error);
  font-weight: 600;
}

.sounds {
  display: grid;
  gap: 8px;
  max-width: 760px;
}

ul {
  columns: 3 200px;
  column-gap: 18px;
}

li {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.presses {
  display: inline-block;
  min-width: 20px;
  font-weight: 600;
}
</style>
