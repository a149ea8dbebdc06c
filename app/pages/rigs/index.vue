<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import IconButton from '~/components/common/IconButton.vue'
import RemoveRigDialog from '~/components/shell/RemoveRigDialog.vue'
import { usePlatform } from '~/platform/platform'
import type { Answer, Failure } from '~/platform/rigServer'
import { dayText } from '~/text/times'
import { RIG_FILE_LIMIT, type CreatedReply, type RigSummary } from '#shared/contract/rigs'
import { errorReply } from '#shared/errors'

const { server } = usePlatform()
const router = useRouter()
const rigs = shallowRef<readonly RigSummary[] | null>(null)
const failure = shallowRef<Failure | null>(null)
const name = ref('')
const removing = shallowRef<RigSummary | null>(null)
const fileInput = useTemplateRef('fileInput')

async function refresh(): Promise<void> {
  const answer = await server.list()
  if (answer.kind === 'done') rigs.value = answer.value.rigs
  else failure.value = answer
}

async function openCreated(answer: Answer<CreatedReply>): Promise<void> {
  failure.value = answer.kind === 'done' ? null : answer
  if (answer.kind === 'done') await router.push(`/rigs/${answer.value.id}/rig`)
}

const create = async () => openCreated(await server.create(name.value.trim()))

async function importFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  if (!file) return
  // Told here, before sending what would only be refused.
  if (file.size > RIG_FILE_LIMIT)
    failure.value = { kind: 'refused', error: errorReply('tooBig', { limit: RIG_FILE_LIMIT }).error }
  else await openCreated(await server.importFile(await file.text()))
  input.value = ''
}

async function remove(): Promise<void> {
  const rig = removing.value
  removing.value = null
  if (!rig) return
  const answer = await server.remove(rig.id)
  failure.value = answer.kind === 'done' ? null : answer
  await refresh()
}

onMounted(refresh)
</script>

<template>
  <main class="page">
    <header>
      <h1>Wire Step</h1>
      <p>Plan what every step on your foot controller sends, try it, and see what will go wrong.</p>
    </header>

    <div v-if="failure" class="fault" role="alert">
      <p v-if="failure.kind === 'away'">
        <b>The server does not answer.</b> Start it again, then
        <button class="word" @click="refresh">try again</button>.
      </p>
      <template v-else>
        <p>
          <b>{{ failure.error.message }}</b>
          <template v-if="failure.error.limit">
            The most is {{ failure.error.limit / 1_000_000 }} MB.</template
          >
        </p>
        <ul>
          <li v-for="fault in failure.error.faults" :key="fault.path + fault.reason">
            <code v-if="fault.path" class="mono">{{ fault.path }}</code> {{ fault.reason }}
          </li>
        </ul>
      </template>
    </div>

    <section aria-labelledby="yours">
      <h2 id="yours">Your rigs</h2>
      <p v-if="rigs?.length === 0" class="none">
        None yet. A rig is one foot controller with all it talks to. Name yours, then put in the controller
        and the devices.
      </p>
      <ul v-else-if="rigs" class="list">
        <li v-for="rig in rigs" :key="rig.id">
          <NuxtLink :to="`/rigs/${rig.id}/switches`">{{ rig.name }}</NuxtLink>
          <span class="soft">{{ dayText(rig.changedAt) }}, revision {{ rig.revision }}</span>
          <IconButton :icon="Trash2" :name="`Delete ${rig.name}`" @click="removing = rig" />
        </li>
      </ul>
    </section>

    <section aria-labelledby="new">
      <h2 id="new">Start a rig</h2>
      <form @submit.prevent="create">
        <InputText v-model="name" aria-label="Name of the new rig" placeholder="Pit bass" maxlength="60" />
        <Button type="submit" label="Start" :disabled="name.trim() === ''" />
      </form>
      <p>
        or open a rig file:
        <button type="button" class="word" @click="fileInput?.click()">choose rig.json</button>
        <input
          ref="fileInput"
          type="file"
          aria-label="Rig file"
          accept=".json,application/json"
          hidden
          @change="importFile"
        />
      </p>
    </section>

    <RemoveRigDialog :rig="removing" @cancel="removing = null" @remove="remove" />
  </main>
</template>

<style scoped>
.page {
  display: grid;
  align-content: start;
  gap: 28px;
  max-width: 680px;
  height: 100%;
  padding: 48px 40px;
}

header p {
  color: var(--ink-soft);
}

section {
  display: grid;
  gap: 10px;
}

.list {
  max-height: 45vh;
  overflow: auto;
  border-top: 1px solid var(--line);
}

.list li {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 6px 2px;
  border-bottom: 1px solid var(--line);
}

.list a {
  flex: 1;
  overflow-wrap: anywhere;
  font-weight: 600;
}

.soft,
.none {
  color: var(--ink-soft);
}

form {
  display: flex;
  gap: 8px;
}

.fault {
  padding: 10px 14px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}

code {
  font-size: 12px;
}
</style>
