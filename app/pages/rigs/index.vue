<script setup lang="ts">
import { Copy, FileDown, Trash2 } from '@lucide/vue'
import { useTimeoutFn } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import IconButton from '~/components/common/IconButton.vue'
import DeletedRigs from '~/components/start/DeletedRigs.vue'
import RemoveRigDialog from '~/components/shell/RemoveRigDialog.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import ThreeWays from '~/components/start/ThreeWays.vue'
import { useRigStarts } from '~/components/start/useRigStarts'
import { usePlatform } from '~/platform/platform'
import { ALL_RIGS, fileAddress, signInAddress } from '~/platform/rigServer'
import { count, listText } from '#shared/words/counts'
import { dayText } from '#shared/words/times'
import { useTheme } from '~/theme/useTheme'
import type { RigSummary } from '#shared/contract/rigs'

const { server, shelf } = usePlatform()
const { failure, brought, build, copyDemo, copy, openFile } = useRigStarts()
const { theme, toggleTheme } = useTheme()
const rigs = shallowRef<readonly RigSummary[] | null>(null)
const removing = shallowRef<RigSummary | null>(null)
const deleted = useTemplateRef('deleted')
const hasSignIn = ref(false)
const retry = useTimeoutFn(refresh, 3000, { immediate: false })

async function refresh(): Promise<void> {
  const answer = await server.list()
  if (answer.kind === 'done') rigs.value = answer.value.rigs
  // Without the server, those that were opened here before can be opened again.
  else if (answer.kind === 'away' && !answer.error) rigs.value ??= await shelf.list()
  failure.value = answer.kind === 'done' ? null : answer
  // Away is not for good: it is asked again by itself.
  if (answer.kind === 'away') retry.start()
}

const summary = computed(() =>
  rigs.value === null ? 'Looking.' : rigs.value.length === 0 ? 'None yet' : count(rigs.value.length, 'rig'),
)

/** What a rig holds, in the player's words; what there is none of is left out. */
function holdsText({ holds }: RigSummary): string {
  const { controllers, devices, sounds, banks, switches } = holds
  const parts = [
    ...(controllers > 0 ? [count(controllers, 'controller')] : []),
    ...(devices > 0 ? [count(devices, 'box', 'boxes')] : []),
    ...(sounds > 0 ? [count(sounds, 'sound')] : []),
    ...(switches > 0 ? [`${count(switches, 'switch', 'switches')} in ${count(banks, 'bank')}`] : []),
  ]
  return parts.length === 0 ? 'Nothing on the floor yet' : listText(parts)
}

async function openAndLook(file: File): Promise<void> {
  await openFile(file)
  if (brought.value > 0) await refresh()
}

async function copyAndLook(rig: RigSummary): Promise<void> {
  if (await copy(rig.id)) await refresh()
}

async function signOut(): Promise<void> {
  await server.signOut()
  // What is kept here is for who is signed in.
  for (const { id } of await shelf.list()) await shelf.forget(id)
  location.assign(signInAddress('/rigs'))
}

async function remove(): Promise<void> {
  const rig = removing.value
  removing.value = null
  if (!rig) return
  const answer = await server.remove(rig.id)
  if (answer.kind === 'done') await shelf.forget(rig.id)
  await Promise.all([refresh(), deleted.value?.refresh()])
  if (answer.kind !== 'done') failure.value = answer
}

onMounted(async () => {
  await refresh()
  const session = await server.session()
  hasSignIn.value = session.kind === 'done' && session.value.hasSignIn
})
</script>

<template>
  <div class="page">
    <div class="rail">
      <p class="brand">Wire Step</p>
      <p class="about">
        Plan what every step on your foot controller sends, try it, and see what will go wrong.
      </p>
      <div class="foot">
        <RouterLink to="/backups">Backups</RouterLink>
        <RouterLink to="/words">Words of the trade</RouterLink>
        <button type="button" class="word" @click="toggleTheme">
          {{ theme === 'stage' ? 'Light theme' : 'Stage theme' }}
        </button>
        <button v-if="hasSignIn" type="button" class="word" @click="signOut">Sign out</button>
      </div>
    </div>
    <main>
      <header>
        <h1>Rigs</h1>
        <p role="status">
          {{ summary
          }}{{ brought > 0 ? `. ${count(brought, 'rig')} came in from the archive, each as a new one` : '' }}
        </p>
        <a v-if="rigs && rigs.length > 0" :href="ALL_RIGS" download="all-rigs.zip">Save all-rigs.zip</a>
      </header>
      <FailureNote v-if="failure" :failure="failure" @retry="refresh" />
      <p v-if="rigs?.length === 0" class="none">
        A rig is one foot controller with all it talks to. Begin in one of the three ways.
      </p>
      <ul v-else-if="rigs" class="list" aria-label="Your rigs">
        <li v-for="rig in rigs" :key="rig.id">
          <RouterLink
            class="tape"
            :to="`/rigs/${rig.id}/${rig.holds.controllers === 0 ? 'rig' : 'switches'}`"
            >{{ rig.name }}</RouterLink
          >
          <p class="holds">{{ holdsText(rig) }}</p>
          <p class="soft">Changed {{ dayText(rig.changedAt) }}, revision {{ rig.revision }}</p>
          <div class="does">
            <a
              v-tooltip.top="'Save as rig.json'"
              class="icon"
              :href="fileAddress(rig.id, 'rig.json')"
              download
              :aria-label="`Save ${rig.name} as rig.json`"
            >
              <FileDown :size="16" aria-hidden="true" />
            </a>
            <IconButton :icon="Copy" :name="`Copy ${rig.name}`" @click="copyAndLook(rig)" />
            <IconButton :icon="Trash2" :name="`Delete ${rig.name}`" @click="removing = rig" />
          </div>
        </li>
      </ul>
      <DeletedRigs ref="deleted" @back="refresh" />
    </main>
    <aside aria-labelledby="new">
      <h2 id="new">Start a rig</h2>
      <ThreeWays @build="build" @demo="copyDemo" @file="openAndLook" />
    </aside>
    <RemoveRigDialog :rig="removing" @cancel="removing = null" @remove="remove" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 188px minmax(0, 1fr) clamp(280px, 32%, 372px);
  height: 100dvh;
}

.rail {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 18px 14px 14px 18px;
  border-right: 1px solid var(--line);
}

.brand {
  font: 700 19px/1.2 var(--display);
}

.about {
  font-size: 13px;
  color: var(--ink-soft);
}

.foot {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin-top: auto;
  font-size: 13px;
}

main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 14px 20px 12px 22px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  padding-bottom: 10px;
}

header p {
  flex: 1;
  color: var(--ink-soft);
}

.list {
  display: grid;
  align-content: start;
  gap: 8px;
  min-height: 0;
  overflow: auto;
}

.list li {
  display: grid;
  grid-template: auto auto auto / minmax(0, 1fr) auto;
  gap: 0 12px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
}

.tape {
  grid-column: 1 / -1;
  padding: 5px 12px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 16px/1.3 var(--display);
  overflow-wrap: anywhere;
  text-decoration: none;
}

.tape:hover {
  text-decoration: underline;
}

.tape:focus-visible {
  outline-offset: -2px;
}

.holds,
.soft {
  padding: 6px 12px 0;
}

.soft {
  padding: 0 12px 7px;
  font-size: 12.5px;
  color: var(--ink-soft);
}

.does {
  grid-area: 2 / 2 / 4 / 3;
  display: flex;
  align-items: center;
  gap: 4px;
  padding-right: 10px;
}

.icon {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: var(--corner);
  color: var(--ink);
}

.icon:hover {
  background: var(--hover);
}

.none {
  color: var(--ink-soft);
}

aside {
  display: grid;
  align-content: start;
  gap: 10px;
  min-height: 0;
  overflow: auto;
  padding: 16px 18px;
  border-left: 1px solid var(--line);
  background: var(--ground);
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
    min-height: 100dvh;
    align-content: start;
  }

  .rail {
    border-right: 0;
    border-bottom: 1px solid var(--line);
    padding: 12px 20px;
  }

  .foot {
    display: flex;
    flex-wrap: wrap;
    gap: 14px;
  }

  .list {
    overflow: visible;
  }

  aside {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
