<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { useTimeoutFn } from '@vueuse/core'
import { onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import IconButton from '~/components/common/IconButton.vue'
import RemoveRigDialog from '~/components/shell/RemoveRigDialog.vue'
import { usePlatform } from '~/platform/platform'
import { ALL_RIGS, signInAddress, type Answer, type Failure } from '~/platform/rigServer'
import { count } from '~/text/counts'
import { dayText } from '~/text/times'
import { ALL_RIGS_LIMIT, RIG_FILE_LIMIT, type CreatedReply, type RigSummary } from '#shared/contract/rigs'
import { errorReply } from '#shared/errors'

const { server } = usePlatform()
const router = useRouter()
const rigs = shallowRef<readonly RigSummary[] | null>(null)
const failure = shallowRef<Failure | null>(null)
const name = ref('')
const removing = shallowRef<RigSummary | null>(null)
/** How many rigs the last archive brought in. */
const brought = ref(0)
const hasSignIn = ref(false)
const fileInput = useTemplateRef('fileInput')
const retry = useTimeoutFn(refresh, 3000, { immediate: false })

async function refresh(): Promise<void> {
  const answer = await server.list()
  if (answer.kind === 'done') rigs.value = answer.value.rigs
  failure.value = answer.kind === 'done' ? null : answer
  // Away is not for good: it is asked again by itself.
  if (answer.kind === 'away') retry.start()
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
  const isArchive = /\.zip$/i.test(file.name)
  const limit = isArchive ? ALL_RIGS_LIMIT : RIG_FILE_LIMIT
  // Told here, before sending what would only be refused.
  if (file.size > limit) failure.value = { kind: 'refused', error: errorReply('tooBig', { limit }).error }
  else if (isArchive) await importAll(file)
  else await openCreated(await server.importFile(file))
  input.value = ''
}

async function importAll(archive: Blob): Promise<void> {
  const answer = await server.importAll(archive)
  brought.value = answer.kind === 'done' ? answer.value.rigs.length : 0
  if (answer.kind === 'done') await refresh()
  else failure.value = answer
}

async function signOut(): Promise<void> {
  await server.signOut()
  location.assign(signInAddress('/rigs'))
}

async function remove(): Promise<void> {
  const rig = removing.value
  removing.value = null
  if (!rig) return
  const answer = await server.remove(rig.id)
  failure.value = answer.kind === 'done' ? null : answer
  await refresh()
}

onMounted(async () => {
  await refresh()
  const session = await server.session()
  hasSignIn.value = session.kind === 'done' && session.value.hasSignIn
})
</script>

<template>
  <main class="page">
    <header>
      <h1>Wire Step</h1>
      <p>Plan what every step on your foot controller sends, try it, and see what will go wrong.</p>
    </header>

    <div v-if="failure" class="fault" role="alert">
      <p v-if="failure.kind === 'away'">
        <b>{{ failure.error?.message ?? 'The server does not answer. Start it again.' }}</b>
        Then <button class="word" @click="refresh">try again</button>.
      </p>
      <p v-else-if="failure.error.code === 'notSignedIn'">
        <b>{{ failure.error.message }}</b> <a :href="signInAddress('/rigs')">Sign in</a>
      </p>
      <template v-else>
        <p>
          <b>{{ failure.error.message }}</b>
          <template v-if="failure.error.limit">
            The most is {{ Math.floor(failure.error.limit / 1e6) }} MB.</template
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

    <p v-if="brought > 0" role="status">
      {{ count(brought, 'rig') }} came in from the archive, each as a new one.
    </p>

    <section v-if="rigs && rigs.length > 0" aria-labelledby="out">
      <h2 id="out">Take all rigs out</h2>
      <p>
        <a :href="ALL_RIGS" download="all-rigs.zip">Save all-rigs.zip</a>, a rig file for each. Keep it away
        from this machine.
      </p>
    </section>

    <section aria-labelledby="new">
      <h2 id="new">Start a rig</h2>
      <form @submit.prevent="create">
        <InputText v-model="name" aria-label="Name of the new rig" placeholder="Pit bass" maxlength="60" />
        <Button type="submit" label="Start" :disabled="name.trim() === ''" />
      </form>
      <p>
        or open a rig file, or all rigs from an archive:
        <button type="button" class="word" @click="fileInput?.click()">
          choose rig.json or all-rigs.zip
        </button>
        <input
          ref="fileInput"
          type="file"
          aria-label="Rig file"
          accept=".json,.zip,application/json,application/zip"
          hidden
          @change="importFile"
        />
      </p>
    </section>

    <p v-if="hasSignIn"><button type="button" class="word" @click="signOut">Sign out</button></p>

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
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  padding: 6px 2px;
  border-bottom: 1px solid var(--line);
}

.list a {
  flex: 1 1 220px;
  overflow-wrap: anywhere;
  font-weight: 600;
}

.soft,
.none {
  color: var(--ink-soft);
}

@media (max-width: 620px) {
  .page {
    padding: 28px 20px;
  }
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
