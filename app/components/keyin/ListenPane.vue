<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, watch } from 'vue'
import { own } from '#core/base'
import { keepHeard } from '#core/keyin'
import { gestureKey, heardHoldings } from '#core/listen'
import { byIndex, type Controller, type KeyInId, type Rig } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import StandInController from '~/components/keyin/StandInController.vue'
import { usePlatform } from '~/platform/platform'
import { useListenStore } from '~/stores/listen'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { faultText, gestureText, hexText, howText, verdictText } from '~/text/keyIn'
import { MIDI_TEXT } from '~/text/midi'

/** Step on each real switch: was it what the plan says? */
const { rig, controller } = defineProps<{ rig: Rig; controller: Controller }>()

const listen = useListenStore()
const midi = useMidiStore()
const rigs = useRigStore()
const { clock } = usePlatform()

watch(
  () => controller.id,
  (id) => {
    if (listen.controllerId !== id) {
      listen.end()
      listen.forget()
      listen.controllerId = id
    }
  },
  { immediate: true },
)

const away = computed(() => (midi.state === 'open' || midi.state === 'unasked' ? '' : MIDI_TEXT[midi.state]))
const banks = computed(() => byIndex(rig.banks).filter(({ controllerId }) => controllerId === controller.id))
const heard = computed(() => listen.judged.filter(({ take }) => take !== null))
const missing = computed(() => listen.judged.length - heard.value.length)
const wrong = computed(() => heard.value.filter(({ verdict }) => verdict?.kind === 'wrong'))

const groups = computed(() =>
  banks.value
    .map((bank) => ({ bank, all: listen.judged.filter(({ gesture }) => gesture.bankId === bank.id) }))
    .filter(({ all }) => all.length > 0),
)

/** What was heard, as what each place holds. */
const keep = () =>
  rigs.edit(
    keepHeard(rig, controller, heardHoldings(rig, controller, listen.judged), {
      revision: rigs.revision,
      at: clock.now().toISOString(),
      newId: () => nanoid(12) as KeyInId,
    }),
  )
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Listen">
    <template v-if="!listen.isOn">
      <p class="soft">
        Connect the controller’s MIDI out and step on its switches: each is held against the plan, message by
        message. Nothing is sent to real gear from here meanwhile.
      </p>
      <p v-if="away" class="soft" role="status">
        {{ away }} The bench port with a simulated controller is there all the same.
      </p>
      <p v-if="listen.gestures.length === 0" class="soft">
        No switch does anything yet: there is nothing to listen for.
      </p>
      <p v-else><Button label="Listen" size="small" @click="listen.start" /></p>
    </template>
    <template v-else>
      <div class="now">
        <ChoiceRow
          label="The switches come"
          :value="listen.mode"
          :choices="[
            { value: 'inTurn', text: 'as asked for' },
            { value: 'anyhow', text: 'in any order' },
          ]"
          @choose="listen.mode = $event"
        />
        <CheckField
          label="Leave out what sends nothing by plan"
          :value="listen.skipsSilent"
          @take="listen.skipsSilent = $event"
        />
        <Button label="Stop" size="small" severity="secondary" @click="listen.end" />
      </div>
      <div v-if="listen.mode === 'inTurn'" class="asked" role="status">
        <template v-if="listen.askedFor">
          <p class="does">{{ howText(listen.askedFor) }}</p>
          <p>{{ gestureText(rig, controller, listen.askedFor) }}</p>
        </template>
        <p v-else>All was heard. Choose one below to hear it again.</p>
        <div v-if="listen.askedFor" class="row">
          <Button label="Nothing came" size="small" severity="secondary" @click="listen.nothingCame" />
          <Button label="Leave it out" size="small" severity="secondary" @click="listen.goOn" />
        </div>
      </div>
      <div v-else class="asked">
        <ChoiceField
          label="The controller is in bank"
          :value="listen.bankId"
          :choices="
            banks.map(({ id, index, name }) => ({
              value: id as string,
              text: `${index + controller.firstBank} ${name}`,
            }))
          "
          @choose="listen.bankId = $event"
        />
        <p v-if="listen.last" role="status">
          {{
            listen.last.meant.length === 0
              ? `No switch of this bank should send ${listen.last.sent.map(({ hex }) => hexText(hex)).join(', ')}.`
              : listen.last.meant.length === 1
                ? `That was ${gestureText(rig, controller, listen.last.meant[0]!)}, as planned.`
                : `Several switches send just this: ${listen.last.meant.map((one) => gestureText(rig, controller, one)).join('; ')}.`
          }}
        </p>
        <p class="soft">
          Told by what is sent: two switches that were swapped cannot be told so. As asked for, they can.
        </p>
      </div>
      <StandInController :rig="rig" :controller="controller" />
    </template>
    <p v-if="heard.length > 0 || listen.isOn" role="status" class="sum">
      {{ heard.length }} of {{ count(listen.judged.length, 'step') }} heard,
      {{ wrong.length === 0 ? 'none wrong' : `${wrong.length} not as planned`
      }}{{ missing > 0 ? `, ${missing} still missing` : '' }}.
    </p>
    <p v-if="heard.length > 0" class="row">
      <Button label="Keep what was heard" size="small" severity="secondary" @click="keep" />
      <Button label="Begin anew" size="small" severity="secondary" @click="listen.forget" />
      <span class="soft"
        >Kept, the sheet says what mends it, key by key. Names, lamps and contacts cannot be heard: they are
        taken to be as planned.</span
      >
    </p>
    <section v-for="{ bank, all } in groups" :key="bank.id">
      <h3>Bank {{ bank.index + controller.firstBank }} {{ bank.name }}</h3>
      <ul class="steps">
        <li
          v-for="one in all"
          :key="gestureKey(one.gesture)"
          :class="[
            one.verdict?.kind ?? 'open',
            { asked: gestureKey(one.gesture) === listen.asked && listen.isOn },
          ]"
        >
          <button type="button" class="line" @click="listen.ask(one.gesture)">
            <b>{{ one.gesture.jack === '' ? one.gesture.number : one.gesture.jack }}</b>
            <span>{{ own(rig.switches, one.gesture.switchId)?.label ?? '' }}</span>
            <span class="soft">{{
              one.gesture.how === 'hold'
                ? 'held'
                : one.gesture.how === 'double'
                  ? 'twice'
                  : one.gesture.nth > 0
                    ? `press ${one.gesture.nth + 1}`
                    : ''
            }}</span>
            <span class="says">{{ one.verdict ? verdictText(one.verdict) : 'not heard yet' }}</span>
          </button>
          <ul v-if="one.verdict?.kind === 'wrong'" class="faults">
            <li v-for="(fault, n) in one.verdict.faults" :key="n">
              {{ faultText(rig, controller, fault, listen.gestures) }}
            </li>
          </ul>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.now,
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 16px;
}

div.asked {
  display: grid;
  gap: 6px;
  padding: 12px 14px;
  background: var(--tape);
  color: var(--tape-ink);
  border-radius: var(--corner);
}

div.asked .soft {
  color: inherit;
}

.does {
  font: 700 19px/1.25 var(--display);
}

.sum {
  font-weight: 600;
}

h3 {
  margin-bottom: 2px;
}

.steps > li {
  border-bottom: 1px solid var(--line);
  border-left: 4px solid transparent;
  content-visibility: auto;
  contain-intrinsic-size: auto 30px;
}

.right {
  border-left-color: var(--good) !important;
}

.wrong {
  border-left-color: var(--error) !important;
}

.cannotTell,
.unheard {
  border-left-color: var(--warning) !important;
}

li.asked {
  background: var(--sheet);
}

.line {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) 70px minmax(0, 1.4fr);
  gap: 8px;
  width: 100%;
  padding: 4px 8px;
  border: 0;
  background: none;
  text-align: left;
}

.line:hover {
  background: var(--hover);
}

.faults {
  padding: 0 8px 6px 60px;
  color: var(--error);
}

/* On a phone the page scrolls, not a part of it: the sheet lies beside the controller. */
@media (max-width: 620px) {
  .tab-pane {
    flex: none;
    overflow: visible;
  }
}
</style>
