<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import type { RigDifference } from '#core/history'
import type { Cell, DeviceId, Rig } from '#core/rig'
import { formatCell } from '#core/sound'
import FoldSection from '~/components/common/FoldSection.vue'
import { rowLines, sentLineText, stepPlaceText } from '~/text/history'
import { count } from '#shared/words/counts'
import { durationText } from '#shared/keyInText'

/** How one state of a rig differs from another: rows, sounds, messages, keys to press. */
const { difference, before, after } = defineProps<{
  difference: RigDifference
  before: Rig
  after: Rig
}>()

/** Of a long list so many are drawn. */
const MOST = 200

const isNothing = computed(() => difference.rows.length === 0)
const rows = computed(() => rowLines(difference.rows))

const cellText = (rig: Rig, deviceId: DeviceId, cell: Cell | null): string => {
  const device = own(rig.devices, deviceId)
  return cell && device ? formatCell(rig, device, cell) : 'nothing'
}
const sounds = computed(() =>
  difference.sounds.slice(0, MOST).map((sound) => ({
    ...sound,
    cells: sound.cells.map((one) => ({
      device: (own(after.devices, one.deviceId) ?? own(before.devices, one.deviceId))?.name ?? '',
      before: cellText(before, one.deviceId, one.before),
      after: cellText(after, one.deviceId, one.after),
    })),
  })),
)
const shortly = (lines: readonly string[]): string =>
  lines.length === 0
    ? 'nothing'
    : lines.slice(0, 8).map(sentLineText).join(', ') +
      (lines.length > 8 ? ` and ${lines.length - 8} more` : '')
const sent = computed(() =>
  difference.sent.slice(0, MOST).map((one) => ({
    place: stepPlaceText(one),
    before: shortly(one.before),
    after: shortly(one.after),
  })),
)
const rest = (all: readonly unknown[]): number => Math.max(0, all.length - MOST)
</script>

<template>
  <p v-if="isNothing" class="soft">Nothing differs.</p>
  <div v-else class="all">
    <FoldSection :title="`${count(difference.rows.length, 'thing')} changed`" open>
      <ul>
        <li v-for="row in rows.slice(0, MOST)" :key="row.key">{{ row.text }}</li>
        <li v-if="rest(rows) > 0" class="soft">and {{ rest(rows) }} more</li>
      </ul>
    </FoldSection>
    <FoldSection
      v-if="sounds.length > 0"
      :title="`${count(difference.sounds.length, 'sound')} otherwise`"
      open
    >
      <ul>
        <li v-for="sound in sounds" :key="sound.id">
          <b>{{ sound.name }}</b
          >{{ sound.kind === 'made' ? ', new' : sound.kind === 'removed' ? ', removed' : '' }}
          <p v-for="cell in sound.cells" :key="cell.device" class="pair">
            {{ cell.device }}: <del>{{ cell.before }}</del> <ins>{{ cell.after }}</ins>
          </p>
        </li>
      </ul>
    </FoldSection>
    <FoldSection
      v-if="sent.length > 0"
      :title="`${count(difference.sent.length, 'step')} sends otherwise`"
      open
    >
      <ul>
        <li v-for="one in sent" :key="one.place">
          <b>{{ one.place }}</b>
          <p class="pair"><del>{{ one.before }}</del> <ins>{{ one.after }}</ins></p>
        </li>
        <li v-if="rest(difference.sent) > 0" class="soft">and {{ rest(difference.sent) }} more</li>
      </ul>
    </FoldSection>
    <p v-for="keys in difference.keys" :key="keys.controller">
      <b>Keys to press:</b> {{ count(keys.lines, 'line') }}, {{ count(keys.presses, 'press', 'presses') }},
      {{ durationText(keys.seconds) }} on {{ keys.controller }}, if it holds the older one.
    </p>
    <p v-if="difference.keys.length === 0" class="soft">Nothing to key in for it.</p>
  </div>
</template>

<style scoped>
.all {
  display: grid;
  gap: 8px;
  width: 100%;
}

ul {
  display: grid;
  gap: 5px;
  padding: 4px 0;
}

li {
  overflow-wrap: anywhere;
  font-size: 13px;
}

.pair {
  padding-left: 10px;
}

del {
  color: var(--ink-soft);
}

ins {
  font-weight: 600;
  text-decoration: none;
}

ins::before {
  content: '→ ';
}
</style>
