<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { sentBy, type FootGesture, type HeardMessage } from '#core/listen'
import { bytesOfHex } from '#core/midi'
import { byIndex, switchesHere, type Controller, type Rig } from '#core/rig'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { useRigStarts } from '~/components/start/useRigStarts'
import { useMidiStore } from '~/stores/midi'
import { count } from '#shared/words/counts'
import { doubtText, hexText } from '~/text/keyIn'
import { HOLD_FOR, useLearn } from './useLearn'

/** A controller of which nobody knows what it does: stepped on, and drawn up as a rig. */
const { rig, controller } = defineProps<{ rig: Rig; controller: Controller }>()

const midi = useMidiStore()
const starts = useRigStarts()
const learn = useLearn(() => controller)
const { isOn, bank, number, takes, asked, holdsSince, learned } = learn

const name = ref('What my controller does')
const asks = computed(() =>
  asked.value === 'tap'
    ? takes.value.taps.length === 0
      ? 'Step on it and let go'
      : 'Step on it once more and let go'
    : asked.value === 'hold'
      ? 'Hold it: press “Now”, step on it at once, and let go when the bar is full'
      : asked.value === 'double'
        ? 'Step on it twice quickly'
        : 'That is all of this switch',
)
const does = (messages: readonly HeardMessage[]): string => messages.map(({ hex }) => hexText(hex)).join(', ')

/** The simulated controller holds this rig's plan: it can be learned where there is no real one. */
const bankRow = computed(() =>
  byIndex(rig.banks).find(
    ({ controllerId, index }) => controllerId === controller.id && index === bank.value,
  ),
)
const under = computed(() =>
  bankRow.value ? (switchesHere(rig, bankRow.value.id, 'base').get(`/${number.value}`) ?? null) : null,
)
function stepSimulated(): void {
  if (asked.value === 'hold') learn.hold()
  const one = under.value
  const gesture: FootGesture | null = one && {
    bankId: bankRow.value!.id,
    layer: 'base',
    jack: '',
    number: number.value,
    switchId: one.id,
    how: asked.value === 'hold' ? 'hold' : asked.value === 'double' ? 'double' : 'tap',
    nth: 0,
  }
  const sent = gesture ? sentBy(rig, gesture, takes.value.taps.length) : []
  if (sent.length === 0 && asked.value !== 'hold') return learn.nothingCame()
  const waits =
    asked.value === 'hold' && one && one.longPress.length > 0 && controller.pressWithLong === 'release'
  const port = midi.outs.find(({ id }) => id === 'bench')
  const from = midi.now() + 5 + (waits ? controller.longMs : 0)
  for (const { ms, hex } of sent) port?.send(bytesOfHex(hex), from + ms)
}

const draw = () => starts.openFile(learn.file(name.value))
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Learn a controller">
    <p class="soft">
      For a controller somebody else programmed. It is taken to have the switches and banks this rig’s
      {{ controller.name }} has. Labels, lamps and turning banks cannot be heard.
    </p>
    <p v-if="!isOn"><Button label="Begin" size="small" @click="learn.start" /></p>
    <template v-else>
      <div class="where">
        <NumberField
          label="Bank"
          :value="bank + controller.firstBank"
          :min="controller.firstBank"
          :max="controller.bankCount - 1 + controller.firstBank"
          @take="bank = $event - controller.firstBank"
        />
        <NumberField
          label="Switch"
          :value="number"
          :min="1"
          :max="controller.rows * controller.columns"
          @take="number = $event"
        />
        <Button label="Stop" size="small" severity="secondary" @click="learn.end" />
      </div>
      <div class="asked" role="status">
        <p class="does">{{ asks }}</p>
        <p>Bank {{ bank + controller.firstBank }}, switch {{ number }}</p>
        <div v-if="holdsSince !== null" class="bar" :style="{ animationDuration: `${HOLD_FOR}ms` }" />
        <div class="row">
          <Button
            v-if="asked === 'hold'"
            label="Now"
            size="small"
            :disabled="holdsSince !== null"
            @click="learn.hold"
          />
          <Button
            v-else-if="asked !== null"
            label="Nothing came"
            size="small"
            severity="secondary"
            @click="learn.nothingCame"
          />
          <Button
            label="Next switch"
            size="small"
            :severity="asked === null ? undefined : 'secondary'"
            @click="learn.goOn"
          />
          <Button label="This one again" size="small" severity="secondary" @click="learn.again" />
          <Button
            label="Let a simulated one step"
            size="small"
            severity="secondary"
            :disabled="asked === null || holdsSince !== null"
            @click="stepSimulated"
          />
        </div>
      </div>
    </template>
    <FailureNote v-if="starts.failure.value" :failure="starts.failure.value" />
    <template v-if="learned.length > 0">
      <h3>{{ count(learned.length, 'switch', 'switches') }} learned</h3>
      <ul class="found">
        <li v-for="one in learned" :key="`${one.bank}/${one.number}`">
          <b>{{ one.bank + controller.firstBank }}.{{ one.number }}</b>
          <div>
            <p v-for="(list, n) in one.does.positions" :key="n">
              <span class="soft">{{ one.does.positions.length > 1 ? `Press ${n + 1}` : 'Press' }}</span>
              {{ does(list) || 'nothing' }}
            </p>
            <p v-if="one.does.release.length > 0">
              <span class="soft">Let go</span> {{ does(one.does.release) }}
            </p>
            <p v-if="one.does.longPress.length > 0">
              <span class="soft">Held</span> {{ does(one.does.longPress) }}
            </p>
            <p v-if="one.does.doublePress.length > 0">
              <span class="soft">Twice</span> {{ does(one.does.doublePress) }}
            </p>
            <p v-for="doubt in one.does.doubts" :key="doubt" class="doubt">{{ doubtText(doubt) }}</p>
          </div>
        </li>
      </ul>
      <TextField label="Name of the rig" :value="name" :max="60" required @take="name = $event" />
      <p><Button label="Draw it up as a rig" size="small" @click="draw" /></p>
    </template>
  </div>
</template>

<style scoped>
.where,
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
}

.asked {
  display: grid;
  gap: 8px;
  padding: 12px 14px;
  background: var(--tape);
  color: var(--tape-ink);
  border-radius: var(--corner);
}

.does {
  font: 700 19px/1.25 var(--display);
}

.bar {
  height: 8px;
  background: var(--tape-ink);
  transform-origin: left;
  animation: fill linear both;
}

@keyframes fill {
  from {
    transform: scaleX(0);
  }
}

.found li {
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr);
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}

.doubt {
  color: var(--warning);
}

/* On a phone the page scrolls, not a part of it: the sheet lies beside the controller. */
@media (max-width: 620px) {
  .tab-pane {
    flex: none;
    overflow: visible;
  }
}
</style>
