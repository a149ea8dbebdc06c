<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { own } from '#core/base'
import {
  applyEdit,
  inOrder,
  partKey,
  partsOf,
  showOn,
  songsOf,
  type Part,
  type Rig,
  type Show,
  type ShowId,
  type SongId,
  rigName,
} from '#core/rig'
import {
  addToShow,
  banksInOrder,
  differsTonight,
  dropShowTonight,
  editShow,
  movePart,
  moveSong,
  newShow,
  showController,
  showSwitch,
  travelOf,
  turnOnShow,
  waysOfShow,
  removeShow,
} from '#core/show'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import TabRow from '~/components/common/TabRow.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import TextField from '~/components/common/TextField.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import BoardChange from '~/components/show/BoardChange.vue'
import PartInspector from '~/components/show/PartInspector.vue'
import ShowList from '~/components/show/ShowList.vue'
import ShowSongInspector from '~/components/show/ShowSongInspector.vue'
import ShowSwitches from '~/components/show/ShowSwitches.vue'
import { useProposal } from '~/components/show/useProposal'
import { useShowSteps } from '~/components/show/useShowSteps'
import { useAnswer } from '~/platform/useAnswer'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { travelText } from '~/text/show'

const PasteShow = defineAsyncComponent(() => import('~/components/show/PasteShow.vue'))
const BoardPane = defineAsyncComponent(() => import('~/components/show/BoardPane.vue'))
const WalkPane = defineAsyncComponent(() => import('~/components/show/WalkPane.vue'))

const rigs = useRigStore()
const rig = computed(() => rigs.rig!)
const show = computed(() => showOn(rig.value))
const shows = computed(() =>
  inOrder(rig.value.shows).map(({ id, name }) => ({ value: id as string, text: name })),
)
/** Longer shows are worked out off the page's thread; until that is done what is shown is of the show as it was. */
const LONG = 120
const isLong = computed(
  () => (show.value?.songIds.reduce((sum, id) => sum + partsOf(rig.value, id).length, 0) ?? 0) > LONG,
)
const walker = useAnswer('walk')
const farWays = computed(() => walker.answer.value?.value.ways ?? [])
const ways = computed(() =>
  !show.value ? [] : isLong.value ? farWays.value : waysOfShow(rig.value, show.value),
)
const travel = computed(() => travelOf(ways.value))
const songs = computed(() => (show.value ? songsOf(rig.value, show.value) : []))

type Pane = 'order' | 'board' | 'walk'
const pane = ref<Pane>('order')
const { page } = usePlatform()

// Walked through anew after every change, once it has been still for a moment.
const walked = computed(() => walker.answer.value?.value.parts ?? null)
const walkedOf = computed(() => walker.answer.value?.of ?? null)
const walkFault = walker.fault
let pause = 0
watch(
  rig,
  (now) => {
    window.clearTimeout(pause)
    pause = window.setTimeout(() => walker.ask(now, null), walked.value === null ? 0 : 400)
  },
  { immediate: true },
)
const wrongParts = computed(
  () =>
    new Map(
      (walked.value ?? []).flatMap((one) =>
        one.wrong.length > 0 ? [[partKey(one.played), one.wrong] as const] : [],
      ),
    ),
)
const wrongKeys = computed(() => new Set(wrongParts.value.keys()))

const seeker = useAnswer('board')
const board = computed(() => seeker.answer.value?.value ?? null)
const boardOf = shallowRef<Rig | null>(null)
const isSeeking = computed(() => seeker.done.value !== null)
/** What failed in practice counts more. */
const isMindful = ref(false)
function seek(): void {
  seeker.forget()
  boardOf.value = rig.value
  seeker.ask(rig.value, { isMindful: isMindful.value })
}
// What is found belongs to the rig it was asked of.
watch(rig, seeker.cancel)
onBeforeUnmount(() => window.clearTimeout(pause))

const controller = computed(() => showController(rig.value))
const { whole } = useProposal(rig, board)
/** A long show would hold the page up while it is drawn. */
const drawn = computed(() => (isSeeking.value || isLong.value ? null : whole.value))

const TEXT: Record<Pane, string> = { order: 'In order', board: 'Lay the board out', walk: 'Walk through' }
const panes = computed(() => (Object.keys(TEXT) as Pane[]).map((key) => ({ key, text: TEXT[key] })))

const chosen = ref<string | null>(null)
const chosenSong = computed(() => {
  const nth = Number(chosen.value?.split('/')[0] ?? '0')
  const song = songs.value[nth] ?? songs.value[0]
  return song ? { song, nth: songs.value[nth] ? nth : 0 } : null
})
const chosenPart = computed(() => {
  const id = chosen.value?.split('/')[1]
  const part = own(rig.value.parts, id ?? '')
  return part && part.songId === chosenSong.value?.song.id ? part : null
})

const steps = useShowSteps(rig, show, ways, chosen)
const { isOnward, can, play } = steps
const chooseSchool = (stepsOn: Show['stepsOn']): unknown =>
  show.value && rigs.edit(editShow(rig.value, show.value.id, { stepsOn }))
const SHOW_STEPS = [
  { to: 'nextPart', songId: null, text: 'Next part' },
  { to: 'previousPart', songId: null, text: 'Previous part' },
  { to: 'nextSong', songId: null, text: 'Next song' },
] as const
const noStep = computed(
  () => isOnward.value && controller.value !== null && showSwitch(rig.value, 'nextPart') === null,
)

function put(songId: SongId, name: string | null): void {
  const ids = { songId, showId: nanoid(12) as ShowId }
  const last = songs.value.length
  if (rigs.edit(addToShow(rig.value, ids, name))) chosen.value = String(last)
}
const addOne = () => put(nanoid(12) as SongId, `Song ${Object.keys(rig.value.songs).length + 1}`)
const others = computed(() =>
  inOrder(rig.value.songs).map(({ id, name }) => ({ value: id as string, text: name })),
)
const addShow = (): unknown =>
  rigs.edit(newShow(rig.value, nanoid(12) as ShowId, `Show ${shows.value.length + 1}`))
const canMovePart = (part: Part, by: number): unknown => rigs.edit(movePart(rig.value, part.id, by))
const tonight = computed(() => differsTonight(rig.value))
const order = computed(() => {
  const edit = show.value ? banksInOrder(rig.value, show.value) : null
  return edit && applyEdit(rig.value, edit).ok ? edit : null
})
const isPasting = ref(false)
const summary = computed(() => {
  if (!show.value) return 'no show yet'
  const parts = songs.value.reduce((sum, song) => sum + partsOf(rig.value, song.id).length, 0)
  return `${count(songs.value.length, 'number')}, ${count(parts, 'part')}, ${travelText(travel.value)}`
})
</script>

<template>
  <ViewFrame title="Set list" :summary="summary" inspector="What is chosen">
    <TabRow label="Parts of the set list" :tabs="panes" :current="pane" @go="pane = $event" />
    <div v-if="pane === 'order'" class="tab-pane order printed">
      <h2 class="on-paper">{{ show?.name ?? 'Set list' }}, {{ rigName(rig) }}</h2>
      <div v-if="show" class="bar unprinted">
        <ChoiceField
          v-if="shows.length > 1"
          label="Show"
          :value="show.id as string"
          :choices="shows"
          class="which"
          @choose="rigs.edit(turnOnShow(rig, $event as ShowId))"
        />
        <div class="steps" role="group" aria-label="Step through">
          <Button
            label="Previous part"
            size="small"
            severity="secondary"
            :disabled="!can.before"
            @click="steps.toBefore"
          />
          <Button label="Next part" size="small" :disabled="!can.next" @click="steps.toNext" />
          <Button
            label="Next song"
            size="small"
            severity="secondary"
            :disabled="!can.nextSong"
            @click="steps.toNextSong"
          />
        </div>
        <ChoiceRow
          label="The foot steps on"
          :value="show.stepsOn"
          :choices="[
            { value: 'sounds', text: 'each sound' },
            { value: 'nextPart', text: 'Next part' },
          ]"
          @choose="chooseSchool"
        />
        <div v-if="noStep" class="none" role="status">
          <p>No switch goes to the next part yet.</p>
          <ShowSwitches :rig="rig" :steps="SHOW_STEPS.slice(0, 1)" />
        </div>
        <NotWorkedOut
          v-if="isLong && walkFault"
          what="The way through this show"
          :fault="walkFault"
          :is-old-shown="walked !== null"
          @retry="walker.again"
        />
        <p v-else-if="isLong && walkedOf !== rig" class="soft" role="status">
          Worked out anew; what is shown is of before.
        </p>
        <p v-if="tonight > 0" class="soft">
          {{ count(tonight, 'thing') }} {{ tonight === 1 ? 'differs' : 'differ' }} tonight.
          <button type="button" class="word" @click="rigs.edit(dropShowTonight(rig))">Drop all of it</button>
        </p>
      </div>
      <ShowList
        v-if="show && songs.length > 0"
        :rig="rig"
        :show="show"
        :ways="ways"
        :chosen="chosen"
        :wrong="wrongKeys"
        @choose="chosen = $event"
        @move-song="
          (from, to) =>
            rigs.edit(moveSong(rig, show!.id, from, to)) &&
            (chosen = String(Math.min(songs.length - 1, Math.max(0, to))))
        "
        @move-part="canMovePart"
        @play="play"
      />
      <p v-else class="soft">
        A show is songs in playing order, each with its parts and their sounds. Wire Step then says which
        switch plays each part, how far the foot goes, and whether there is time.
      </p>
      <div class="bar unprinted">
        <Button label="Add a song" size="small" severity="secondary" @click="addOne" />
        <Button label="Paste lines" size="small" severity="secondary" @click="isPasting = true" />
        <Button
          v-if="songs.length > 0"
          label="Print"
          size="small"
          severity="secondary"
          @click="page.print()"
        />
        <ChoiceField
          v-if="others.length > 0"
          label="Song you have"
          value="none"
          :choices="[{ value: 'none', text: 'Put in a song you have' }, ...others]"
          class="known"
          @choose="$event !== 'none' && put($event as SongId, null)"
        />
        <Button
          v-if="order"
          label="Put the banks in playing order"
          size="small"
          severity="secondary"
          @click="rigs.edit(order)"
        />
      </div>
    </div>
    <BoardPane
      v-else-if="pane === 'board'"
      :fault="seeker.fault.value"
      class="tab-pane"
      :rig="rig"
      :found="board"
      :is-running="isSeeking"
      :done="seeker.done.value ?? 0"
      :is-old="boardOf !== rig"
      :is-mindful="isMindful"
      @mind="isMindful = $event"
      @start="seek"
      @stop="seeker.cancel"
    />
    <WalkPane
      v-else
      class="tab-pane"
      :rig="rig"
      :parts="walked"
      :is-old="walkedOf !== rig"
      :done="walker.done.value ?? 0"
      :fault="walkFault"
      @retry="walker.again"
      @choose="((chosen = $event), (pane = 'order'))"
    />
    <PasteShow v-model="isPasting" :rig="rig" />
    <template #inspector>
      <BoardChange
        v-if="pane === 'board' && show && drawn && controller"
        :rig="rig"
        :controller="controller"
        :show="show"
        :edit="drawn"
      />
      <PartInspector
        v-else-if="show && chosenPart && chosenSong"
        :key="chosenPart.id"
        :rig="rig"
        :ways="ways"
        :part="chosenPart"
        :nth="chosenSong.nth"
        :wrong="wrongParts.get(partKey({ nth: chosenSong.nth, part: chosenPart })) ?? []"
        @gone="chosen = String(chosenSong!.nth)"
        @play="play"
      />
      <ShowSongInspector
        v-else-if="show && chosenSong"
        :key="`${chosenSong.nth}/${chosenSong.song.id}`"
        :rig="rig"
        :show="show"
        :song="chosenSong.song"
        :nth="chosenSong.nth"
        @choose="chosen = $event"
        @gone="chosen = null"
      />
      <p v-else class="soft">Nothing is chosen yet.</p>
      <section v-if="show" class="of-show" aria-label="This show">
        <TextField
          label="Show"
          :value="show.name"
          :max="60"
          required
          @take="rigs.edit(editShow(rig, show!.id, { name: $event }))"
        />
        <h3 v-if="controller">Steps in the show</h3>
        <ShowSwitches :rig="rig" :steps="SHOW_STEPS" />
        <div class="bar">
          <button type="button" class="word" @click="addShow">New show from these songs</button>
          <button type="button" class="word" @click="rigs.edit(removeShow(rig, show!.id))">
            Remove this show
          </button>
        </div>
      </section>
    </template>
  </ViewFrame>
</template>

<style scoped>
.order {
  container-type: inline-size;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
  min-height: 0;
}

.bar,
.steps {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
}

.known,
.which {
  min-width: 190px;
}

.known :deep(label),
.which :deep(label) {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}

.none {
  display: grid;
  gap: 4px;
  padding: 6px 10px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}

/* On paper: the list whole, in two columns. */
.on-paper {
  display: none;
}

@media print {
  .on-paper {
    display: block;
    font-size: 16px;
  }

  .order {
    display: block;
  }
}

.of-show {
  display: grid;
  gap: 8px;
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}
</style>
