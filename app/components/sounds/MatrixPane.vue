<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, useTemplateRef, watch, watchEffect } from 'vue'
import { inOrder, type Rig, type SoundId } from '#core/rig'
import { useAnswer } from '~/platform/useAnswer'
import { matrixLayout } from '~/charts/matrixLayout'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'

/** From every sound to every other: the darker, the rougher. One pair is chosen and told beside it. */
const { rig, from, to } = defineProps<{ rig: Rig; from: SoundId | null; to: SoundId | null }>()
const emit = defineEmits<{ choose: [from: SoundId, to: SoundId] }>()

const { answer, fault, ask, again } = useAnswer('matrix')
watch(
  () => rig,
  (now) => ask(now, null),
  { immediate: true },
)
const matrix = computed(() => answer.value?.value ?? null)
const isOld = computed(() => answer.value?.of !== rig)

const sounds = computed(() => inOrder(rig.sounds))
const choices = computed(() => sounds.value.map(({ id, name }) => ({ value: id, text: name })))
const canvas = useTemplateRef('canvas')
const box = useTemplateRef('box')
const { width, height } = useElementSize(box)
const layout = computed(() =>
  matrixLayout(
    sounds.value.map(({ name }) => name),
    width.value,
    height.value,
  ),
)
const at = computed(() => ({
  row: sounds.value.findIndex(({ id }) => id === from),
  column: sounds.value.findIndex(({ id }) => id === to),
}))
const theme = ref(0)
const observer = new MutationObserver(() => theme.value++)
observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
onBeforeUnmount(() => observer.disconnect())

watchEffect(() => {
  const [element, made, { cell, left, top, right, size }] = [canvas.value, matrix.value, layout.value]
  if (!element || !made || theme.value < 0) return
  const scale = window.devicePixelRatio || 1
  element.width = Math.round((left + size + right) * scale)
  element.height = Math.round((top + size) * scale)
  const pen = element.getContext('2d')
  if (!pen) return
  const style = getComputedStyle(element)
  const [ink, line, tape, soft] = ['--ink', '--line', '--focus', '--ink-soft'].map((name) =>
    style.getPropertyValue(name),
  )
  pen.scale(scale, scale)
  pen.clearRect(0, 0, left + size + right, top + size)
  const n = made.ids.length
  pen.fillStyle = ink!
  for (let row = 0; row < n; row++)
    for (let column = 0; column < n; column++) {
      const rough = made.rough[row * n + column]!
      if (row === column || rough === 0) continue
      pen.globalAlpha = layout.value.darkness(rough)
      pen.fillRect(
        left + column * cell,
        top + row * cell,
        Math.max(1, cell - layout.value.space),
        Math.max(1, cell - layout.value.space),
      )
    }
  pen.globalAlpha = 1
  pen.strokeStyle = line!
  pen.strokeRect(left + 0.5, top + 0.5, n * cell - 1, n * cell - 1)
  if (layout.value.hasNames) {
    pen.fillStyle = soft!
    pen.font = `12px ${style.getPropertyValue('--text')}`
    pen.textBaseline = 'middle'
    layout.value.names.forEach((name, row) => {
      pen.textAlign = 'right'
      pen.fillText(name, left - 8, top + (row + 0.5) * cell, left - 10)
      pen.save()
      pen.translate(left + (row + 0.5) * cell, top - 8)
      pen.rotate(-Math.PI / 4)
      pen.textAlign = 'left'
      pen.fillText(name, 0, 0, 120)
      pen.restore()
    })
  }
  const { row, column } = at.value
  if (row >= 0 && column >= 0) {
    pen.strokeStyle = tape!
    pen.lineWidth = 2.5
    pen.strokeRect(
      left + column * cell - 1,
      top + row * cell - 1,
      Math.max(6, cell) + 1,
      Math.max(6, cell) + 1,
    )
  }
})

function choose(row: number, column: number): void {
  const all = sounds.value
  const [a, b] = [
    all[Math.max(0, Math.min(all.length - 1, row))],
    all[Math.max(0, Math.min(all.length - 1, column))],
  ]
  if (a && b) emit('choose', a.id, b.id)
}

function onPointer(event: PointerEvent): void {
  const { left, top, cell } = layout.value
  const spot = canvas.value!.getBoundingClientRect()
  const column = Math.floor((event.clientX - spot.left - left) / cell)
  const row = Math.floor((event.clientY - spot.top - top) / cell)
  if (row >= 0 && column >= 0 && row < sounds.value.length && column < sounds.value.length)
    choose(row, column)
}

const STEPS: Record<string, readonly [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

function onKey(event: KeyboardEvent): void {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  choose(Math.max(0, at.value.row) + step[0], Math.max(0, at.value.column) + step[1])
}

const spoken = computed(() => {
  const { row, column } = at.value
  const made = matrix.value
  if (!made || row < 0 || column < 0) return 'No pair is chosen.'
  const rough = Math.round(made.rough[row * made.ids.length + column]! * 100)
  return `From ${sounds.value[row]?.name} to ${sounds.value[column]?.name}: ${rough} % rough.`
})
</script>

<template>
  <section class="pane" aria-label="From one sound to another">
    <div class="pickers">
      <ChoiceField
        label="From"
        :value="from ?? ('' as SoundId)"
        :choices="choices"
        @choose="emit('choose', $event, to ?? $event)"
      />
      <ChoiceField
        label="To"
        :value="to ?? ('' as SoundId)"
        :choices="choices"
        @choose="emit('choose', from ?? $event, $event)"
      />
      <p class="legend" aria-hidden="true">
        smooth <i v-for="n in 5" :key="n" :style="{ opacity: layout.darkness(n / 5) }" /> rough
      </p>
    </div>
    <NotWorkedOut
      v-if="fault"
      what="How rough the changes are"
      :fault="fault"
      :is-old-shown="matrix !== null"
      @retry="again"
    />
    <p v-else-if="!matrix" class="soft" role="status">Comparing all sounds.</p>
    <p v-else-if="isOld" class="soft" role="status">Of the rig before your last change; comparing again.</p>
    <div ref="box" class="box">
      <button
        type="button"
        class="squares"
        :aria-label="`Matrix of changes, come from down, gone to across; arrow keys choose a pair. ${spoken}`"
        @pointerdown="onPointer"
        @keydown="onKey"
      >
        <canvas
          ref="canvas"
          :style="{
            width: `${layout.left + layout.size + layout.right}px`,
            height: `${layout.top + layout.size}px`,
          }"
        />
      </button>
    </div>
    <p class="unseen" role="status">{{ spoken }}</p>
  </section>
</template>

<style scoped>
.pane {
  display: flex;
  flex: 1 1 0;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  padding-top: 10px;
}

.pickers {
  display: flex;
  align-items: end;
  gap: 12px;
}

.pickers > .field {
  flex: none;
  grid-template-columns: minmax(0, 1fr);
  width: 190px;
}

.legend {
  display: flex;
  align-items: center;
  gap: 3px;
  margin-left: auto;
  padding-bottom: 7px;
  color: var(--ink-soft);
  font-size: 12px;
}

.legend i {
  width: 14px;
  height: 14px;
  background: var(--ink);
}

.box {
  flex: 1 1 0;
  min-height: 120px;
  overflow: auto;
}

.squares {
  padding: 0;
  border: 0;
  background: none;
  cursor: crosshair;
}

canvas {
  display: block;
}
</style>
