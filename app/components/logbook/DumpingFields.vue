<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { learnDumping, setDumping, standInDumping } from '#core/dump'
import { readBytes } from '#core/midi'
import { UNKNOWN_DUMPING, type Device, type Dump, type Dumping, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useDumpStore } from '~/stores/dumps'
import { useRigStore } from '~/stores/rig'

/** What is known of a device's dumps, from its manual or from dumps of it; checks go by that. */
const { rig, device, dump } = defineProps<{ rig: Rig; device: Device; dump: Dump }>()

const rigs = useRigStore()
const store = useDumpStore()
const known = computed((): Dumping => device.dumping ?? UNKNOWN_DUMPING)
const put = (fields: Partial<Dumping>) => rigs.edit(setDumping(rig, device.id, { ...known.value, ...fields }))

/** From all messages of this dump; a single one proves nothing. */
const learn = () => rigs.edit(setDumping(rig, device.id, learnDumping(dump.messages, known.value)))
const askFault = ref('')
function takeAsk(text: string): void {
  const read = text === '' ? null : readBytes(text)
  const isFine = !read || (read.ok && read.value.messages.every(({ kind }) => kind === 'exclusive'))
  askFault.value = isFine ? '' : 'Write whole SysEx messages: F0 7D 01 F7.'
  if (isFine) put({ ask: text })
}

/** "17 Mix": a byte and what it stands for, a line each. */
const values = ref('')
const valueFault = ref('')
watch(
  () => known.value.values,
  (all) => (values.value = all.map(({ at, name }) => `${at} ${name}`).join('\n')),
  { immediate: true },
)
function takeValues(): void {
  const read: { at: number; name: string }[] = []
  for (const line of values.value.split('\n')) {
    if (line.trim() === '') continue
    const found = /^\s*(\d{1,5})[\s:;,]+(.{1,60}?)\s*$/.exec(line)
    if (!found || Number(found[1]) < 1 || Number(found[1]) > 65_537) {
      valueFault.value = `“${line.trim().slice(0, 40)}” is no byte with its name. Write 17 Mix.`
      return
    }
    read.push({ at: Number(found[1]), name: found[2]! })
  }
  valueFault.value = ''
  put({ values: read })
}
</script>

<template>
  <div class="fields">
    <div class="does">
      <Button
        label="Learn it from this dump"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="learn"
      />
      <Button
        v-if="store.isStandIn && !device.dumping"
        label="As the simulated device says"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="rigs.edit(setDumping(rig, device.id, standInDumping(rig, device.id)))"
      />
      <Button
        v-if="device.dumping"
        label="Forget it"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="rigs.edit(setDumping(rig, device.id, null))"
      />
    </div>
    <p class="soft">
      Learned: how long messages are, how many there are, which byte counts presets, and a checksum, where
      three messages or more agree on one. The maker’s manual has the last word.
    </p>
    <ChoiceField
      label="Checksum before the end"
      :value="known.checksum?.kind ?? 'none'"
      :choices="[
        { value: 'none', text: 'not known, or none' },
        { value: 'sum', text: 'brings the sum to 0' },
        { value: 'plain', text: 'is the sum' },
        { value: 'xor', text: 'exclusive or' },
      ]"
      @choose="
        put({ checksum: $event === 'none' ? null : { kind: $event, from: known.checksum?.from ?? 1 } })
      "
    />
    <NumberField
      v-if="known.checksum"
      label="Counted from byte (F0 is 0)"
      :value="known.checksum.from"
      :min="1"
      :max="65537"
      @take="known.checksum && put({ checksum: { ...known.checksum, from: $event } })"
    />
    <NumberField
      label="Bytes of each message (0: not known)"
      :value="known.bytes ?? 0"
      :min="0"
      :max="65538"
      @take="put({ bytes: $event < 2 ? null : $event })"
    />
    <NumberField
      label="Messages of a whole dump (0: not known)"
      :value="known.count ?? 0"
      :min="0"
      :max="10000"
      @take="put({ count: $event || null })"
    />
    <NumberField
      label="Byte that says which preset (0: not known)"
      :value="known.place ?? 0"
      :min="0"
      :max="65537"
      @take="put({ place: $event || null })"
    />
    <NumberField
      label="Pause between messages at least"
      :value="known.pauseMs"
      :min="0"
      :max="10000"
      suffix=" ms"
      @take="put({ pauseMs: $event })"
    />
    <TextField label="What asks for a dump" :value="known.ask" :max="400" @take="takeAsk" />
    <p v-if="askFault" role="alert" class="fault">{{ askFault }}</p>
    <div class="field">
      <label for="dump-values">What bytes stand for, a line each</label>
      <textarea id="dump-values" v-model="values" rows="4" placeholder="17 Mix" @blur="takeValues" />
    </div>
    <p v-if="valueFault" role="alert" class="fault">{{ valueFault }}</p>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 8px;
}

.does {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.fault {
  color: var(--error);
}
</style>
