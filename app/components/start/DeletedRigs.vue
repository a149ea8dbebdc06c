<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { onMounted, shallowRef } from 'vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { count } from '#shared/words/counts'
import { dayText } from '#shared/words/times'
import type { DeletedRig } from '#shared/contract/rigs'

/** Rigs that were deleted, each with its whole history: to be brought back, or taken out for good. */
const emit = defineEmits<{ back: [] }>()

const { server } = usePlatform()
const rigs = shallowRef<readonly DeletedRig[]>([])
const failure = shallowRef<Failure | null>(null)
const forgetting = shallowRef<DeletedRig | null>(null)

async function refresh(): Promise<void> {
  const answer = await server.deleted()
  if (answer.kind === 'done') rigs.value = answer.value.rigs
}
async function bringBack({ id }: DeletedRig): Promise<void> {
  const answer = await server.bringBack(id)
  failure.value = answer.kind === 'done' ? null : answer
  await refresh()
  emit('back')
}
async function forget(): Promise<void> {
  const rig = forgetting.value
  forgetting.value = null
  if (!rig) return
  const answer = await server.forget(rig.id)
  failure.value = answer.kind === 'done' ? null : answer
  await refresh()
}

onMounted(refresh)
defineExpose({ refresh })
</script>

<template>
  <details v-if="rigs.length > 0" class="deleted">
    <summary>{{ count(rigs.length, 'deleted rig') }}</summary>
    <FailureNote v-if="failure" :failure="failure" @retry="refresh" />
    <ul aria-label="Deleted rigs">
      <li v-for="rig in rigs" :key="rig.id">
        <p>
          <b>{{ rig.name }}</b>
          <span class="soft">deleted {{ dayText(rig.deletedAt) }}, revision {{ rig.revision }}</span>
        </p>
        <Button
          label="Bring it back"
          size="small"
          severity="secondary"
          variant="outlined"
          :aria-label="`Bring ${rig.name} back`"
          @click="bringBack(rig)"
        />
        <Button
          label="Take out for good"
          size="small"
          severity="secondary"
          variant="outlined"
          :aria-label="`Take ${rig.name} out for good`"
          @click="forgetting = rig"
        />
      </li>
    </ul>
  </details>
  <Dialog
    :visible="forgetting !== null"
    modal
    header="Take it out for good"
    :draggable="false"
    :style="{ width: '420px' }"
    @update:visible="forgetting = null"
  >
    <p>{{ forgetting?.name }} and its history are then only in backups made before. This cannot be undone.</p>
    <template #footer>
      <Button label="Keep it" severity="secondary" variant="outlined" @click="forgetting = null" />
      <Button label="Take it out" @click="forget" />
    </template>
  </Dialog>
</template>

<style scoped>
.deleted {
  padding-top: 12px;
}

summary {
  padding: 4px 0;
  color: var(--ink-soft);
  cursor: pointer;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  padding: 5px 0;
}

li p {
  flex: 1;
  min-width: 200px;
  overflow-wrap: anywhere;
}
</style>
