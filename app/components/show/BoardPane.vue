<script setup lang="ts">
import Button from 'primevue/button'
import { computed, toRef } from 'vue'
import { own, fixedText } from '#core/base'
import { pairTally, weakPairs } from '#core/practice'
import { editRow, findSwitch, showOn, switchCount, type Controller, type Player, type Rig } from '#core/rig'
import {
  hitsTwo,
  isInReach,
  moveOne,
  playerOf,
  pointOf,
  showController,
  type BoardMove,
  type NoBoard,
  type Proposal,
} from '#core/show'
import { switchName } from '#core/sound'
import CautionLine from '~/components/common/CautionLine.vue'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useProposal } from './useProposal'
import type { WorkFault } from '~/platform/workers'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { lengthText, NO_BOARD_TEXT, travelText } from '~/text/show'
import { placeShort } from '#shared/placeText'

/** A board that takes fewer steps: looked for while you watch, shown as what moves where, taken whole or one by one. */
const { rig, found, isRunning, done, isOld, fault } = defineProps<{
  rig: Rig
  found: Proposal | NoBoard | null
  isRunning: boolean
  done: number
  /** The rig has changed since. */
  isOld: boolean
  /** What failed in practice counts more. */
  isMindful: boolean
  fault: WorkFault | null
}>()
const emit = defineEmits<{ start: []; stop: []; mind: [isMindful: boolean] }>()

const rigs = useRigStore()
const player = computed(() => playerOf(rig))
const setPlayer = (fields: Partial<Player>): unknown =>
  rigs.edit(editRow(rig, 'setPlayer', 'about', 'about', { player: { ...player.value, ...fields } }))
const controller = computed(() => showController(rig))
const setBoard = (fields: Partial<Controller>): unknown =>
  controller.value && rigs.edit(editRow(rig, 'changeController', 'controllers', controller.value.id, fields))
const beyond = computed(() => {
  const one = controller.value
  return one === null
    ? 0
    : Array.from({ length: switchCount(one) }, (_, n) => n + 1).filter(
        (number) => !isInReach(one, player.value, pointOf(one, { jack: '', number })),
      ).length
})
const { proposal, left, whole } = useProposal(
  toRef(() => rig),
  toRef(() => found),
)
const show = computed(() => showOn(rig))
const alone = computed(
  () => new Map(left.value.map((move) => [move.switchId, show.value && moveOne(rig, show.value, move)])),
)
const pinned = computed(() => Object.values(rig.switches).filter(({ isPinned }) => isPinned))
const nameOf = (switchId: string) => {
  const row = own(rig.switches, switchId)
  return row && controller.value ? switchName(rig, row, controller.value) || 'no name' : 'gone'
}
/** What stands where a switch would go. */
function thereNow({ to }: BoardMove): string {
  const there = findSwitch(rig, to.bankId, to.number, { layer: to.layer })
  return there ? nameOf(there.id) : 'free'
}
const pin = (switchId: string, isPinned: boolean): unknown =>
  rigs.edit(editRow(rig, 'pinSwitch', 'switches', switchId, { isPinned }))
const failed = computed(() => weakPairs(rig, pairTally(rig)).length)
const share = computed(() => {
  const one = proposal.value
  return one && one.firstUse.mm > 0 ? Math.round((one.after.mm / one.firstUse.mm) * 100) : null
})
const saves = computed(() => {
  const one = proposal.value
  if (!one) return []
  const { before, after } = one
  return [
    { what: 'Foot travel', now: lengthText(before.mm), then: lengthText(after.mm) },
    { what: 'Presses', now: String(before.presses), then: String(after.presses) },
    { what: 'Bank changes', now: String(before.banks), then: String(after.banks) },
    {
      what: 'Time under way',
      now: `${fixedText(before.ms / 1000, 1)} s`,
      then: `${fixedText(after.ms / 1000, 1)} s`,
    },
    { what: 'Too late', now: String(before.tight), then: String(after.tight) },
    { what: 'Cannot be played', now: String(before.unplayed), then: String(after.unplayed) },
  ]
})
</script>

<template>
  <div class="lay">
    <div class="tools">
      <Button v-if="!isRunning" label="Look for a better board" @click="emit('start')" />
      <Button v-else label="Stop" severity="secondary" @click="emit('stop')" />
      <NotWorkedOut
        v-if="fault"
        what="A better board"
        :fault="fault"
        :is-old-shown="false"
        @retry="emit('start')"
      />
      <p v-else role="status">
        <template v-if="isRunning"
          >Looking, {{ Math.min(99, Math.round(done * 100)) }} %: the best so far is below.</template
        >
        <template v-else-if="typeof found === 'string'">{{ NO_BOARD_TEXT[found] }}</template>
        <template v-else-if="proposal && proposal.moves.length === 0">
          No better board was found: what stands takes the fewest steps that were seen.
        </template>
        <template v-else-if="proposal && left.length === 0">This board is laid out.</template>
      </p>
    </div>
    <CheckField
      v-if="failed > 0"
      label="Mind what failed in practice"
      :note="`${count(failed, 'change of sounds failed', 'changes of sounds failed')}: one that always does counts five times.`"
      :value="isMindful"
      :disabled="isRunning"
      @take="emit('mind', $event)"
    />
    <p v-if="show?.stepsOn === 'nextPart'" class="soft">
      This show is stepped on part by part: the foot stays on Next part, wherever the sounds stand. What is
      found here is for a foot that steps on each sound.
    </p>
    <template v-if="proposal && proposal.moves.length > 0">
      <table class="saves" aria-label="What it saves">
        <thead>
          <tr>
            <th>Over the whole show</th>
            <th class="number">As it was</th>
            <th class="number">With this board</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in saves" :key="row.what">
            <th>{{ row.what }}</th>
            <td class="number mono">{{ row.now }}</td>
            <td class="number mono">{{ row.then }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="share !== null" class="soft">
        That is {{ share }} % of the foot travel of the same sounds put down in the order they first come ({{
          travelText(proposal.firstUse)
        }}).
      </p>
      <p v-if="isOld && left.length > 0" class="warn">
        The rig has changed since: the figures are of the rig as it was. Look again for new ones.
        <template v-if="!whole">
          Something that would move is pinned, gone or elsewhere by now, so that not all of it can be done.
        </template>
      </p>
      <div v-if="whole && !isRunning" class="tools">
        <Button
          :label="left.length === 1 ? 'Move it' : `Move all ${left.length}`"
          @click="rigs.edit(whole)"
        />
        <p class="soft">One undo brings everything back. Names, lamps and what they do go along.</p>
      </div>
      <div v-if="left.length > 0" class="scroll" tabindex="0" role="group" aria-label="What moves where">
        <table>
          <thead>
            <tr>
              <th>Switch</th>
              <th>From</th>
              <th>To</th>
              <th>There now</th>
              <th><span class="unseen">Take or pin</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="move in left" :key="move.switchId">
              <td>
                <span class="tape">{{ nameOf(move.switchId) }}</span>
              </td>
              <td class="mono">{{ placeShort(rig, move.from) }}</td>
              <td class="mono">{{ placeShort(rig, move.to) }}</td>
              <td class="soft">{{ thereNow(move) }}</td>
              <td class="acts">
                <span v-if="!isRunning && !alone.get(move.switchId)" class="soft">not by itself</span>
                <button
                  v-else-if="!isRunning"
                  type="button"
                  class="word"
                  @click="rigs.edit(alone.get(move.switchId) ?? null)"
                >
                  Exchange<span class="unseen"> {{ nameOf(move.switchId) }}</span>
                </button>
                <button type="button" class="word" @click="pin(move.switchId, true)">
                  Pin<span class="unseen"> {{ nameOf(move.switchId) }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <FoldSection
      title="Your foot and the board"
      :summary="`${player.foot} foot, ${player.posture}`"
      :open="found === null"
    >
      <div class="foot">
        <ChoiceRow
          label="Foot that plays"
          :value="player.foot"
          :choices="[
            { value: 'left', text: 'left' },
            { value: 'right', text: 'right' },
          ]"
          @choose="setPlayer({ foot: $event })"
        />
        <ChoiceRow
          label="You play"
          :value="player.posture"
          :choices="[
            { value: 'standing', text: 'standing' },
            { value: 'seated', text: 'seated' },
          ]"
          @choose="setPlayer({ posture: $event, reachMm: $event === 'seated' ? 350 : 600 })"
        />
        <NumberField
          label="Your boot is wide"
          :value="player.bootMm"
          :min="50"
          :max="200"
          suffix=" mm"
          @take="setPlayer({ bootMm: $event })"
        />
        <NumberField
          label="It reaches without a step"
          :value="Math.round(player.reachMm / 10)"
          :min="10"
          :max="200"
          suffix=" cm"
          @take="setPlayer({ reachMm: $event * 10 })"
        />
        <template v-if="controller">
          <NumberField
            label="From switch to switch"
            :value="controller.columnMm"
            :min="20"
            :max="300"
            suffix=" mm"
            @take="setBoard({ columnMm: $event })"
          />
          <NumberField
            label="From row to row"
            :value="controller.rowMm"
            :min="20"
            :max="300"
            suffix=" mm"
            @take="setBoard({ rowMm: $event })"
          />
        </template>
      </div>
      <p v-if="controller" class="soft">
        The board is {{ Math.round(((controller.columns - 1) * controller.columnMm) / 10) }} cm across from
        the first switch to the last<template v-if="beyond > 0"
          >; {{ count(beyond, 'switch', 'switches') }} of it lie beyond your reach</template
        >.
      </p>
      <CautionLine caution="walkway" />
      <p v-if="controller && hitsTwo(controller, player)" class="warn">
        Your boot hits two of these switches at once. Keep what must not sound apart, or wear a narrower shoe.
      </p>
    </FoldSection>
    <FoldSection title="Pinned switches" :summary="String(pinned.length)">
      <p v-if="pinned.length === 0" class="soft">
        None. What leads elsewhere, is held or stands in every bank stays anyway; so does what a song plays in
        its own bank stay there.
      </p>
      <ul class="pins">
        <li v-for="one in pinned" :key="one.id">
          <span class="tape">{{ nameOf(one.id) }}</span>
          <span class="mono">{{ placeShort(rig, one) }}</span>
          <button type="button" class="word" @click="pin(one.id, false)">
            Let it move<span class="unseen">, {{ nameOf(one.id) }}</span>
          </button>
        </li>
      </ul>
    </FoldSection>
  </div>
</template>

<style scoped>
.lay {
  display: grid;
  gap: 10px;
  grid-auto-rows: max-content;
  align-content: start;
  overflow: auto;
  padding: 8px 2px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}

.saves {
  max-width: 560px;
}

.saves th {
  text-align: left;
  font-weight: 500;
}

.number {
  text-align: right !important;
}

.scroll {
  overflow: auto;
}

.tape {
  padding: 1px 8px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 13px var(--display);
}

.acts {
  white-space: nowrap;
}

.acts .word + .word {
  margin-left: 12px;
}

.foot {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px;
}

.warn {
  color: var(--warning);
}

.pins {
  display: grid;
  gap: 4px;
}

.pins li {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
</style>
