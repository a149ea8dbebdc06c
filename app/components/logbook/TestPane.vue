<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { own } from '#core/base'
import { addNote, testCount, testPlan, testResult, type TestLine } from '#core/logbook'
import { inOrder, type NoteId, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { usePlatform } from '~/platform/platform'
import { paperAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { placeText } from '~/text/switchPlaces'
import { dayText } from '#shared/words/times'
import { testDoes, testExpects } from '#shared/testText'

/** Every switch, pedal and device to be tried, part by part, with what came of it. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const { clock } = usePlatform()

const plan = computed(() => testPlan(rig))
/** A bank, the pedals, or the devices: what is tried in one go. */
const partOf = (line: TestLine): string => (line.kind === 'switch' ? `bank/${line.bankId}` : line.kind)
const partName = (part: string): string => {
  if (part === 'pedal') return 'Pedals'
  if (part === 'device') return 'Devices'
  const bank = own(rig.banks, part.slice('bank/'.length))
  const controller = own(rig.controllers, bank?.controllerId ?? '')
  const several = inOrder(rig.controllers).length > 1 ? `${controller?.name}, ` : ''
  return `${several}Bank ${(bank?.index ?? 0) + (controller?.firstBank ?? 0)} ${bank?.name ?? ''}`.trim()
}
const parts = computed(() => {
  const all = new Map<string, TestLine[]>()
  for (const line of plan.value) all.set(partOf(line), [...(all.get(partOf(line)) ?? []), line])
  return [...all].map(([part, lines]) => {
    const { pass } = testCount(rig, lines)
    return { part, lines, text: `${partName(part)}: ${pass} of ${lines.length}` }
  })
})
const wanted = ref('')
const current = computed(
  () => parts.value.find(({ part }) => part === wanted.value) ?? parts.value[0] ?? null,
)
const next = computed(() => {
  const at = current.value ? parts.value.indexOf(current.value) : -1
  return parts.value[at + 1] ?? null
})
const show = ref<'all' | 'open' | 'failed'>('all')

const rows = computed(() =>
  (current.value?.lines ?? [])
    .map((line) => ({ line, result: testResult(rig, line) }))
    .filter(({ result }) =>
      show.value === 'all'
        ? true
        : show.value === 'failed'
          ? result?.verdict === 'fail' && !result.isOld
          : !result || result.isOld,
    )
    .map(({ line, result }, n, all) => {
      const before = all[n - 1]?.line
      const isSame =
        before?.kind === 'switch' &&
        line.kind === 'switch' &&
        before.about.id === line.about.id &&
        before.layer === line.layer
      return { line, result, place: isSame ? '' : placeOf(line) }
    }),
)

function placeOf(line: TestLine): string {
  if (line.kind === 'pedal') return own(rig.pedals, line.pedalId)?.name ?? ''
  if (line.kind === 'device') return own(rig.devices, line.deviceId)?.name ?? ''
  const controller = own(rig.controllers, own(rig.banks, line.bankId)?.controllerId ?? '')
  const place = controller ? placeText(rig, controller, line) : `switch ${line.number}`
  const label = own(rig.switches, line.about.id)?.label ?? ''
  return `${place.charAt(0).toUpperCase()}${place.slice(1)}${line.layer === 'shift' ? ', shift' : ''} ${label}`.trim()
}

/** Notes being written, by line. */
const notes = ref<{ [key: string]: string }>({})
watch(
  () => rigs.rigId,
  () => (notes.value = {}),
)

function put(line: TestLine, verdict: 'pass' | 'fail'): void {
  const text = (own(notes.value, line.key) ?? '').trim()
  const done = rigs.edit(
    addNote(rig, {
      id: nanoid(12) as NoteId,
      at: clock.now().toISOString(),
      about: line.about,
      text: [placeWords(line), testDoes(line), text].filter(Boolean).join(': '),
      fact: { kind: 'test', line: line.key, said: line.said, verdict },
      revision: rigs.revision,
    }),
  )
  if (done) notes.value = { ...notes.value, [line.key]: '' }
}
const placeWords = (line: TestLine): string =>
  line.kind === 'switch' ? `${partName(partOf(line))}, ${placeOf(line)}` : placeOf(line)
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Test plan">
    <p v-if="plan.length === 0" class="soft">Nothing to try yet: no switch does anything.</p>
    <template v-else>
      <div class="head">
        <ChoiceField
          label="What is tried"
          :value="current?.part ?? ''"
          :choices="parts.map(({ part, text }) => ({ value: part, text }))"
          @choose="wanted = $event"
        />
        <ChoiceField
          label="Show"
          :value="show"
          :choices="[
            { value: 'all', text: 'all of it' },
            { value: 'open', text: 'what is still to try' },
            { value: 'failed', text: 'what failed' },
          ]"
          @choose="show = $event"
        />
        <a class="word" :href="paperAddress(rigs.rigId ?? '', 'test-plan', 'a4', rigs.stamp)">Print (PDF)</a>
      </div>
      <CautionLine caution="loudness" />
      <p v-if="rows.length === 0" class="soft">Nothing of that here.</p>
      <ul aria-label="To try">
        <li v-for="{ line, result, place } in rows" :key="line.key" :class="{ begins: place !== '' }">
          <b v-if="place" class="place">{{ place }}</b>
          <div class="says">
            <p><b>{{ testDoes(line) }}.</b> {{ testExpects(rig, line) }}.</p>
            <p v-if="result" :class="result.isOld ? 'soft' : result.verdict">
              {{
                result.isOld
                  ? `Changed since it ${result.verdict === 'pass' ? 'passed' : 'failed'} ${dayText(result.note.at)}: try it again.`
                  : `${result.verdict === 'pass' ? 'Passed' : 'Failed'} ${dayText(result.note.at)}`
              }}
            </p>
          </div>
          <div class="does">
            <InputText
              v-model="notes[line.key]"
              size="small"
              maxlength="300"
              placeholder="Note"
              :aria-label="`Note on ${placeWords(line)}, ${testDoes(line)}`"
            />
            <Button
              label="Pass"
              size="small"
              severity="secondary"
              variant="outlined"
              :aria-label="`Pass: ${placeWords(line)}, ${testDoes(line)}`"
              @click="put(line, 'pass')"
            />
            <Button
              label="Fail"
              size="small"
              severity="secondary"
              variant="outlined"
              :aria-label="`Fail: ${placeWords(line)}, ${testDoes(line)}`"
              @click="put(line, 'fail')"
            />
          </div>
        </li>
      </ul>
      <Button
        v-if="next"
        class="next"
        :label="`Next: ${next.text}`"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="wanted = next.part"
      />
    </template>
  </div>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) auto;
  align-items: end;
  gap: 12px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 12px;
  padding: 4px 2px;
}

.begins {
  margin-top: 6px;
  border-top: 1px solid var(--line);
}

.place {
  grid-column: 1 / -1;
  justify-self: start;
  padding: 0 7px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 13.5px/1.45 var(--display);
}

.does {
  display: flex;
  align-items: start;
  gap: 6px;
}

.pass {
  color: var(--good);
}

.fail {
  color: var(--error);
  font-weight: 600;
}

.next {
  justify-self: start;
}

@media (max-width: 620px) {
  .head,
  li {
    grid-template-columns: minmax(0, 1fr);
  }

  .does :deep(input) {
    flex: 1;
    min-width: 0;
  }
}
</style>
