<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { cutText } from '#core/base'
import {
  checkDump,
  dumpLength,
  keepDumps,
  splitDump,
  withoutRepeats,
  wrongChecks,
  type NewDump,
  type SplitBy,
} from '#core/dump'
import { NAME_MAX, type DumpId, type DumpMessage, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { usePlatform } from '~/platform/platform'
import { useDumpStore } from '~/stores/dumps'
import { useRigStore } from '~/stores/rig'
import { CHECK_NAME, checkText, dumpFaultText } from '~/text/dumps'
import { count } from '#shared/words/counts'
import type { DumpFile } from './useDumpFile'

/** What was recorded or opened, before it is kept: what is wrong with it, where it is parted, what it is called. */
const { rig, file } = defineProps<{ rig: Rig; file: DumpFile | null }>()
const emit = defineEmits<{ kept: [id: string]; close: [] }>()

const store = useDumpStore()
const rigs = useRigStore()
const { clock } = usePlatform()

const read = computed(() => file?.read ?? store.recorded)
/** Taken once where a message came twice in a row. */
const once = ref(false)
const messages = computed((): readonly DumpMessage[] => {
  const all = read.value?.ok ? read.value.value.messages : []
  return once.value ? withoutRepeats(all) : all
})
const by = ref<SplitBy['kind']>('whole')
const split = computed((): SplitBy =>
  by.value === 'pause'
    ? { kind: 'pause', ms: 1000 }
    : by.value === 'head'
      ? { kind: 'head', bytes: 3 }
      : { kind: by.value },
)
const parts = computed(() => splitDump(messages.value, split.value))
const name = ref('')
watch(
  [() => file, () => store.device?.name],
  () => {
    once.value = false
    by.value = 'whole'
    name.value = cutText(file?.name ?? `${store.device?.name ?? 'Dump'}`, NAME_MAX)
  },
  { immediate: true },
)

/** Parts of a bank are not told by the number of messages of a whole one. */
const known = computed(() => (parts.value.length > 1 ? { ...store.dumping, count: null } : store.dumping))
const checks = computed(() => (messages.value.length === 0 ? [] : checkDump(messages.value, known.value)))
const wrong = computed(() => parts.value.flatMap((part) => wrongChecks(part, known.value)))
const repeats = computed(() => wrong.value.some(({ check }) => check === 'repeats'))
const isReady = computed(
  () =>
    messages.value.length > 0 && wrong.value.length === 0 && !store.isRecording && name.value.trim() !== '',
)

function keep(): void {
  const at = clock.now().toISOString()
  const dumps = parts.value.map((part, n): NewDump => {
    const more = parts.value.length > 1 ? `, ${n + 1}` : ''
    return {
      id: nanoid(12) as DumpId,
      deviceId: store.device?.id ?? null,
      name: `${cutText(name.value.trim(), NAME_MAX - more.length)}${more}`,
      messages: part,
      from: file?.from ?? (store.isStandIn ? 'simulated' : 'heard'),
      revision: rigs.revision,
      at,
    }
  })
  if (!rigs.edit(keepDumps(rig, dumps))) return
  store.forget()
  emit('close')
  if (dumps[0]) emit('kept', dumps[0].id)
}
function leave(): void {
  store.forget()
  emit('close')
}
const stateSign = { right: '✓', wrong: '✗', unknown: '?' } as const
</script>

<template>
  <section aria-label="What came" role="group">
    <h2>{{ file ? `From the file “${file.name}”` : 'What came' }}</h2>
    <template v-if="read && !read.ok">
      <p class="bad"><b>It is no whole dump, and is not kept.</b></p>
      <ul>
        <li v-for="(fault, n) in read.refusal.slice(0, 6)" :key="n">{{ dumpFaultText(fault) }}</li>
      </ul>
    </template>
    <template v-else-if="read">
      <p>
        {{ count(messages.length, 'message') }}, {{ count(dumpLength(messages), 'byte') }}.
        {{ read.value.aside > 0 ? `${count(read.value.aside, 'clock byte')} among them left out.` : '' }}
        {{ file?.from === 'syx' ? 'A .syx file keeps no times: it is sent back with the pause below.' : '' }}
      </p>
      <ul class="checks">
        <li v-for="check in checks" :key="check.check" :class="check.state">
          <span aria-hidden="true">{{ stateSign[check.state] }}</span> {{ CHECK_NAME[check.check] }}:
          {{ checkText(check, messages.length) }}
        </li>
      </ul>
      <p v-if="wrong.length > 0 && !store.isRecording" class="bad">
        <b>Not kept as it is.</b> Record it again; if it is meant so, change what is known of this device’s
        dumps.
        <Button
          v-if="repeats && !once"
          label="Take each only once"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="once = true"
        />
      </p>
      <div class="fields">
        <ChoiceField
          label="Keep it"
          :value="by"
          :choices="[
            { value: 'whole', text: 'as one dump' },
            { value: 'pause', text: 'parted at pauses of 1 s' },
            { value: 'head', text: 'parted by device' },
            { value: 'each', text: 'a dump for each message' },
          ]"
          @choose="by = $event"
        />
        <div class="field">
          <label for="dump-name">Name</label>
          <InputText id="dump-name" v-model="name" :maxlength="NAME_MAX" fluid />
        </div>
      </div>
    </template>
    <div class="does">
      <Button
        v-if="read?.ok"
        :label="parts.length > 1 ? `Keep ${parts.length} dumps` : 'Keep it'"
        size="small"
        :disabled="!isReady"
        @click="keep"
      />
      <Button label="Let it go" size="small" severity="secondary" variant="outlined" @click="leave" />
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px;
}

.bad,
.wrong {
  color: var(--error);
}

.unknown {
  color: var(--ink-soft);
}

.does {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
