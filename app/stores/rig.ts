import { nanoid } from 'nanoid'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { dequal } from 'dequal/lite'
import type { Result } from '#core/base'
import { NOT_LOOKED, proofReport, type LineReport } from '#core/check'
import { doEdit, invertEdit, rigName, type Done, type Edit, type EditRefusal, type Rig } from '#core/rig'
import type { PostEdit, RigReply } from '#shared/contract/rigs'
import type { Stamp } from '#shared/stamp'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import type { Setback } from '~/platform/setback'
import { findingsOf } from './findingsOf'
import { EMPTY_HISTORY, redone, remember, undone, without, type History } from './history'
import { createOutbox, type Outbox, type OutboxState } from './outbox'
import { createTabNotes, type TabNotes } from './tabNotes'

/** In ms: when a rig that is confirmed is kept here, and how often an absent server is asked. */
const [SHELVE_AFTER, ASK_AGAIN_AFTER] = [700, 4000]

/**
 * The rig on the screen: what the server confirmed with the player's unsent edits on top. Every change
 * goes through `edit`; it shows at once and is sent in the background, in order.
 */
export const useRigStore = defineStore('rig', () => {
  const { server, shelf, clock, keep, browserKeep, announcer } = usePlatform()

  const rigId = ref<string | null>(null)
  const rig = shallowRef<Rig | null>(null)
  /** The last revision confirmed to this tab. */
  const revision = ref(0)
  const savedAt = ref<string | null>(null)
  /** The newest revision anyone is known to have made. */
  const newestRevision = ref(0)
  const failure = shallowRef<Failure | null>(null)
  const pending = shallowRef<readonly PostEdit[]>([])
  const outboxState = shallowRef<OutboxState>({ kind: 'empty' })
  const history = shallowRef<History>(EMPTY_HISTORY)
  const setbacks = shallowRef<readonly Setback[]>([])
  /** Whether the rig on the screen is the one kept here, since the server could not be reached. */
  const isFromShelf = ref(false)
  /** Whether a reload would find the edits not yet confirmed again. */
  const isNoted = ref(true)

  const name = computed(() => (rig.value ? rigName(rig.value) : ''))
  /** The rig is shown and not worked on, as on stage: nothing is looked for in it. */
  const isOnlySeen = ref(false)
  const {
    found,
    isOld: isFoundOld,
    search,
    isFoundLost,
    isSearchLost,
    lost,
    unknownLamps,
    proof,
  } = findingsOf(computed(() => (isOnlySeen.value ? null : rig.value)))
  const isBehind = computed(() => newestRevision.value > revision.value && pending.value.length === 0)

  let outbox: Outbox | null = null
  let notes: TabNotes | null = null
  let stopListening: (() => void) | null = null
  /** An edit was stored before already, and what came after it is not shown yet. */
  let lacksLater = false
  let isTaking = false

  function writeNotes(): void {
    if (notes) isNoted.value = notes.write({ pending: pending.value, history: history.value })
  }

  /**
   * Opens a rig. What this tab had not sent before a reload is sent first, since the server may have it and only
   * the answer was lost; what it does not take stands on top of what is loaded then.
   */
  async function open(id: string): Promise<void> {
    close()
    rigId.value = id
    notes = createTabNotes(keep, id, browserKeep)
    const noted = notes.read()
    history.value = noted.history
    pending.value = noted.pending
    outbox = createOutbox({
      waiting: noted.pending,
      post: (edit) => server.post(id, edit),
      wait: clock.wait,
      onChange: (edits, state) => {
        pending.value = edits
        outboxState.value = state
        writeNotes()
        if (state.kind !== 'empty') return
        if (lacksLater && !isTaking) void takeNewest()
        else void shelve(id)
      },
      onSaved: (reply) => {
        // A revision in between was someone else's.
        isFromShelf.value = false
        const isNext = reply.revision === revision.value + 1
        newestRevision.value = Math.max(newestRevision.value, reply.latest)
        lacksLater ||= reply.latest > reply.revision
        if (isNext) revision.value = reply.revision
        savedAt.value = reply.changedAt
        announcer.announce({ rigId: id, revision: reply.revision })
      },
    })
    stopListening = announcer.listen((news) => {
      if (news.rigId === id) newestRevision.value = Math.max(newestRevision.value, news.revision)
    })
    await takeNewest()
  }

  function close(): void {
    outbox?.stop()
    stopListening?.()
    outbox = null
    notes = null
    isNoted.value = true
    isFromShelf.value = false
    rig.value = null
    rigId.value = null
    failure.value = null
    pending.value = []
    history.value = EMPTY_HISTORY
    setbacks.value = []
    outboxState.value = { kind: 'empty' }
    revision.value = 0
    newestRevision.value = 0
    lacksLater = false
  }

  async function load(id: string): Promise<boolean> {
    const answer = await server.load(id)
    if (rigId.value !== id) return false
    const kept = answer.kind === 'away' && !answer.error && !rig.value ? await shelf.find(id) : null
    if (rigId.value !== id) return false
    if (kept) {
      show(kept)
      isFromShelf.value = true
      void waitForServer(id)
      return true
    }
    if (answer.kind !== 'done') {
      // A rig on the screen stays there, with what has not been sent, as long as there is one to go back to.
      if (!rig.value || (answer.kind === 'refused' && answer.error.code === 'noSuchRig'))
        failure.value = answer
      return false
    }
    show(answer.value)
    isFromShelf.value = false
    void shelve(id)
    return true
  }

  function show(reply: RigReply): void {
    failure.value = null
    rig.value = reply.rig
    revision.value = reply.revision
    newestRevision.value = reply.revision
    savedAt.value = reply.changedAt
  }

  /** Keeps the rig as it was confirmed, once nothing waits any more and the hand has come to rest. */
  async function shelve(id: string): Promise<void> {
    await clock.wait(SHELVE_AFTER)
    const isStill = rigId.value === id && rig.value && !isFromShelf.value && pending.value.length === 0
    if (!isStill || newestRevision.value !== revision.value) return
    await shelf.keep({ id, revision: revision.value, changedAt: savedAt.value ?? '', rig: rig.value! })
  }

  /** Asks again and again while the rig is the one kept here; what is newer there is then taken. */
  async function waitForServer(id: string): Promise<void> {
    while (isFromShelf.value && rigId.value === id) {
      await clock.wait(ASK_AGAIN_AFTER)
      if (!isFromShelf.value || rigId.value !== id || pending.value.length > 0) continue
      const answer = await server.since(id, revision.value)
      if (answer.kind === 'away' || rigId.value !== id) continue
      isFromShelf.value = false
      if (answer.kind === 'done' && answer.value.revision !== revision.value) await takeNewest()
    }
  }

  /** Puts unsent edits on top of a newly loaded rig; those that no longer fit are told and left out. */
  const putBack = (edits: readonly PostEdit[]): PostEdit[] =>
    edits.filter(({ edit }) => {
      const done = apply(edit)
      if (done && !done.ok) tell({ label: edit.label, doing: 'take', refusal: done.refusal })
      return done?.ok
    })

  const tell = (setback: Setback) => (setbacks.value = [...setbacks.value, setback])

  function apply(edit: Edit): Result<Done, EditRefusal> | null {
    if (!rig.value) return null
    const done = doEdit(rig.value, edit)
    if (!done.ok) return done
    rig.value = done.value.rig
    return done
  }

  function change(edit: Edit, doing: Setback['doing'], next: (done: Edit) => History): boolean {
    const done = apply(edit)
    if (!done?.ok) {
      if (done) tell({ label: edit.label, doing, refusal: done.refusal })
      return false
    }
    // As it was done: names without the spaces round them.
    history.value = next(done.value.edit)
    outbox?.add({ id: nanoid(), edit: done.value.edit })
    return true
  }

  /** Does an edit; null, for an edit that changes nothing, is fine. False when it was refused. */
  const edit = (made: Edit | null): boolean =>
    made === null || change(made, 'edit', (done) => remember(history.value, done))

  const undo = (): boolean => travel(undone(history.value), 'undo')
  const redo = (): boolean => travel(redone(history.value), 'redo')

  function travel(move: ReturnType<typeof undone>, doing: 'undo' | 'redo'): boolean {
    if (!move) return false
    const last = pending.value.at(-1)
    // What the server has not taken is undone by not sending it.
    if (
      doing === 'undo' &&
      outboxState.value.kind === 'refused' &&
      last &&
      dequal(invertEdit(last.edit), move.edit)
    ) {
      apply(move.edit)
      history.value = move.history
      outbox?.drop(last.id)
      return true
    }
    const isDone = change(move.edit, doing, () => move.history)
    // What cannot be undone any more stands in the way of what can.
    if (!isDone) history.value = move.history
    return isDone
  }

  /** Takes the server's newest state, with this tab's unsent edits on top where they still fit. */
  async function takeNewest(): Promise<void> {
    const [id, box] = [rigId.value, outbox]
    if (!id || !box) return
    isTaking = true
    try {
      await box.hold()
      if (rigId.value !== id) return
      // What was done meanwhile is among what waits.
      const isLoaded = await load(id)
      if (rigId.value !== id) return
      if (isLoaded) lacksLater = false
      if (isLoaded) box.replace(putBack(pending.value))
      else if (rig.value) box.retry()
    } finally {
      isTaking = false
    }
  }

  /** Gives up the edit the server refuses; those behind it are kept where they fit without it. */
  async function leaveOut(): Promise<void> {
    const [id, box, refused] = [rigId.value, outbox, pending.value[0]]
    if (!id || !box || !refused) return
    await box.hold()
    if (rigId.value !== id) return
    if (!(await load(id))) return box.retry()
    history.value = without(history.value, refused.edit)
    box.replace(putBack(pending.value.filter(({ id: one }) => one !== refused.id)))
  }

  /** Looks whether anyone else has made a newer revision. */
  async function lookForNews(): Promise<void> {
    const id = rigId.value
    if (!id || pending.value.length > 0) return
    const answer = await server.since(id, newestRevision.value)
    if (answer.kind === 'done' && rigId.value === id)
      newestRevision.value = Math.max(newestRevision.value, answer.value.revision)
  }

  /** What was proven of the revision the server has, once all of it was looked at; null before that. */
  const stamp = computed((): Stamp | null => {
    const { ways } = proof.value
    if (search.value !== null || isFoundOld.value || ways === null || pending.value.length > 0) return null
    const sum = (of: (line: LineReport) => number) => report.value.reduce((all, line) => all + of(line), 0)
    return {
      revision: revision.value,
      holds: sum(({ holds }) => holds.length),
      fails: sum(({ fails }) => fails),
      open: sum(({ open: open_ }) => open_.length),
      ways: Math.floor(ways),
      notLooked: NOT_LOOKED.filter((one) => report.value.some(({ notLooked }) => notLooked.includes(one))),
    }
  })

  /** The proof, held against what else was found. */
  const report = computed((): readonly LineReport[] =>
    rig.value ? proofReport(rig.value, proof.value.proved, found.value) : [],
  )

  const retry = () => outbox?.retry()
  const clearSetbacks = () => (setbacks.value = [])

  return {
    rigId,
    rig,
    name,
    revision,
    savedAt,
    failure,
    pending,
    outboxState,
    history,
    setbacks,
    isOnlySeen,
    found,
    isFoundOld,
    search,
    isFoundLost,
    isSearchLost,
    lost,
    unknownLamps,
    proof,
    stamp,
    report,
    isBehind,
    isNoted,
    isFromShelf,
    open,
    close,
    edit,
    undo,
    redo,
    takeNewest,
    leaveOut,
    lookForNews,
    retry,
    clearSetbacks,
  }
})
