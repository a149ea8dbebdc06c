<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { nanoid } from 'nanoid'
import { ref, shallowRef, watch } from 'vue'
import { controlsOf, draftsOf, takeChart } from '#core/chart'
import { receivers, rigName, type ControlId, type Device, type Rig } from '#core/rig'
import type { RigSummary } from '#shared/contract/rigs'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'

/** Copies a chart from another device, of this rig or of another; where it came from is kept. */
const { rig, device, isOpen } = defineProps<{ rig: Rig; device: Device; isOpen: boolean }>()
const emit = defineEmits<{ close: [] }>()

const rigs = useRigStore()
const { server } = usePlatform()
const all = shallowRef<readonly RigSummary[]>([])
const from = shallowRef<Rig | null>(null)
const fault = ref('')

watch(
  () => isOpen,
  async (open) => {
    from.value = null
    fault.value = ''
    if (!open) return
    const answer = await server.list()
    if (answer.kind === 'done') all.value = answer.value.rigs
    else fault.value = 'The list of rigs cannot be had now. Try again when the server answers.'
  },
)

async function open({ id }: RigSummary): Promise<void> {
  if (id === rigs.rigId) {
    from.value = rig
    return
  }
  const answer = await server.load(id)
  if (answer.kind === 'done') from.value = answer.value.rig
  else fault.value = 'This rig cannot be opened now.'
}

function copy(source: Device): void {
  if (!from.value) return
  const origin = `${rigName(from.value)}, ${source.name}`
  const drafts = draftsOf(from.value, source.id)
  if (rigs.edit(takeChart(rig, device.id, drafts, () => nanoid(12) as ControlId, origin))) emit('close')
}
</script>

<template>
  <Dialog
    :visible="isOpen"
    modal
    :header="`Copy a chart to ${device.name}`"
    :draggable="false"
    :style="{ width: '460px', maxWidth: '94vw' }"
    @update:visible="emit('close')"
  >
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <template v-if="from">
      <p>From which device of {{ rigName(from) }}?</p>
      <ul>
        <li v-for="one in receivers(from).filter(({ id }) => id !== device.id || from !== rig)" :key="one.id">
          <button type="button" :disabled="controlsOf(from, one.id).length === 0" @click="copy(one)">
            {{ one.name }} <span class="soft">{{ count(controlsOf(from, one.id).length, 'control') }}</span>
          </button>
        </li>
      </ul>
    </template>
    <ul v-else>
      <li v-for="one in all" :key="one.id">
        <button type="button" @click="open(one)">{{ one.name }}</button>
      </li>
    </ul>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="emit('close')" />
    </template>
  </Dialog>
</template>

<style scoped>
ul {
  display: grid;
  gap: 4px;
  max-height: 300px;
  overflow: auto;
  padding: 6px 2px;
}

button {
  width: 100%;
  padding: 5px 10px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: none;
  text-align: left;
}

button:hover:enabled {
  border-color: var(--ink);
}

.fault {
  color: var(--error);
}
</style>
