import { nanoid } from 'nanoid'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { applyEdit, findings, rigName, type Edit, type EditRefusal, type Rig } from '#core'
import type { PostEdit } from '#shared/contract/rigs'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { EMPTY_HISTORY, redone, remember, undone, type History } from './history'
import { createOutbox, type Outbox, type OutboxState } from './outbox'
import { readTabNotes, writeTabNotes } from './tabNotes'

/** Something the player must hear about an edit that was not done. */
export interface Setback {
  readonly label: Edit['label']
  readonly doing: 'edit' | 'undo' | 'redo' | 'take'
  readonly refusal: EditRefusal
}

/**
 * The rig on the screen: what the server confirmed with the player's unsent edits on top. Every change
 * goes through `edit`; it shows at once and is sent in the background, in order.
 */
export const useRigStore = defineStore('rig', () => {
  const { server, clock, keep, announcer } = usePlatform()

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

  const name = computed(() => (rig.value ? rigName(rig.value) : ''))
  const found = computed(() => (rig.value ? findings(rig.value) : []))
  const isBehind = computed(() => newestRevision.value > revision.value && pending.value.length === 0)

  let outbox: Outbox | null = null
  let stopListening: (() => void) | null = null

  function writeNotes(): void {
    if (rigId.value) writeTabNotes(keep, rigId.value, { pending: pending.value, history: history.value })
  }

  /** Opens a rig; what this tab had not sent before a reload is sent now. */
  async function open(id: string): Promise<void> {
    close()
    rigId.value = id
    const loaded = await load(id)
    if (!loaded || rigId.value !== id) return
    const notes = readTabNotes(keep, id)
    history.value = notes.history
    outbox = createOutbox({
      post: (edit) => server.post(id, edit),
      wait: clock.wait,
      onChange: (edits, state) => {
        pending.value = edits
        outboxState.value = state
        writeNotes()
      },
      onSaved: (reply) => {
        // A revision in between was someone else's.
        const isNext = reply.revision === revision.value + 1
        newestRevision.value = Math.max(newestRevision.value, reply.revision)
        if (isNext) revision.value = reply.revision
        savedAt.value = reply.changedAt
        announcer.announce({ rigId: id, revision: reply.revision })
      },
    })
    outbox.replace(putBack(notes.pending))
    stopListening = announcer.listen((news) => {
      if (news.rigId === id) newestRevision.value = Math.max(newestRevision.value, news.revision)
    })
  }

  function close(): void {
    outbox?.stop()
    stopListening?.()
    outbox = null
    rig.value = null
    rigId.value = null
    failure.value = null
    pending.value = []
    history.value = EMPTY_HISTORY
    setbacks.value = []
    outboxState.value = { kind: 'empty' }
    revision.value = 0
    newestRevision.value = 0
  }

  async function load(id: string): Promise<boolean> {
    const answer = await server.load(id)
    if (rigId.value !== id) return false
    if (answer.kind !== 'done') {
      failure.value = answer
      return false
    }
    failure.value = null
    rig.value = answer.value.rig
    revision.value = answer.value.revision
    newestRevision.value = answer.value.revision
    savedAt.value = answer.value.changedAt
    return true
  }

  /** Puts unsent edits on top of a newly loaded rig; those that no longer fit are told and left out. */
  function putBack(edits: readonly PostEdit[]): PostEdit[] {
    return edits.filter(({ edit }) => {
      const refusal = apply(edit)
      if (refusal) setbacks.value = [...setbacks.value, { label: edit.label, doing: 'take', refusal }]
      return !refusal
    })
  }

  function apply(edit: Edit): EditRefusal | null {
    if (!rig.value) return null
    const applied = applyEdit(rig.value, edit)
    if (!applied.ok) return applied.refusal
    rig.value = applied.value
    return null
  }

  function change(edit: Edit, doing: Setback['doing'], next: (history: History) => History): boolean {
    const refusal = apply(edit)
    if (refusal) {
      setbacks.value = [...setbacks.value, { label: edit.label, doing, refusal }]
      return false
    }
    history.value = next(history.value)
    outbox?.add({ id: nanoid(), edit })
    return true
  }

  /** Does an edit; null, for an edit that changes nothing, is fine. False when it was refused. */
  const edit = (made: Edit | null): boolean =>
    made === null || change(made, 'edit', (before) => remember(before, made))

  const undo = (): boolean => travel(undone(history.value), 'undo')
  const redo = (): boolean => travel(redone(history.value), 'redo')

  function travel(move: ReturnType<typeof undone>, doing: 'undo' | 'redo'): boolean {
    if (!move) return false
    const isDone = change(move.edit, doing, () => move.history)
    // What cannot be undone any more stands in the way of what can.
    if (!isDone) history.value = move.history
    return isDone
  }

  /** Takes the server's newest state, with this tab's unsent edits on top where they still fit. */
  async function takeNewest(): Promise<void> {
    const id = rigId.value
    const unsent = pending.value
    if (id && (await load(id))) outbox?.replace(putBack(unsent))
  }

  /** Looks whether anyone else has made a newer revision. */
  async function lookForNews(): Promise<void> {
    const id = rigId.value
    if (!id || pending.value.length > 0) return
    const answer = await server.since(id, newestRevision.value)
    if (answer.kind === 'done' && rigId.value === id)
      newestRevision.value = Math.max(newestRevision.value, answer.value.revision)
  }

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
    found,
    isBehind,
    open,
    close,
    edit,
    undo,
    redo,
    takeNewest,
    lookForNews,
    retry,
    clearSetbacks,
  }
})
