import { describe, expect, it } from 'vitest'
import type { PostEdit, RevisionReply } from '#shared/contract/rigs'
import { errorReply } from '#shared/errors'
import type { Answer } from '~/platform/rigServer'
import { createOutbox, type OutboxState } from './outbox'

const edit = (id: string): PostEdit => ({ id, edit: { label: 'nameBank', changes: [] } })
const done = (revision: number): Answer<RevisionReply> => ({
  kind: 'done',
  value: { revision, changedAt: '', latest: revision },
})
const settle = () => new Promise((resolve) => setTimeout(resolve, 5))

/** An outbox whose server answers with the given answers in turn, and then saves everything. */
function outboxWith(answers: Answer<RevisionReply>[], waiting: PostEdit[] = []) {
  const log = {
    sent: [] as string[],
    states: [] as OutboxState['kind'][],
    reasons: [] as string[],
    waits: [] as number[],
    saved: 0,
    pending: 0,
  }
  const outbox = createOutbox({
    waiting,
    post: async ({ id }) => {
      log.sent.push(id)
      return answers.shift() ?? done(1)
    },
    wait: async (milliseconds) => {
      log.waits.push(milliseconds)
    },
    onChange: (pending, state) => {
      log.pending = pending.length
      log.states.push(state.kind)
      if ('error' in state && state.error) log.reasons.push(state.error.code)
    },
    onSaved: () => log.saved++,
  })
  if (waiting.length === 0) outbox.replace([])
  return { outbox, log }
}

describe('outbox', () => {
  it('sends in order, one at a time', async () => {
    const { outbox, log } = outboxWith([])
    for (const id of ['a', 'b', 'c']) outbox.add(edit(id))
    await settle()
    expect(log).toMatchObject({ sent: ['a', 'b', 'c'], saved: 3, pending: 0 })
    expect(log.states.at(-1)).toBe('empty')
  })

  it('tries again while the server is away, waiting longer each time, and keeps the order', async () => {
    const { outbox, log } = outboxWith([{ kind: 'away' }, { kind: 'away' }, done(2)])
    outbox.add(edit('a'))
    outbox.add(edit('b'))
    await settle()
    expect(log).toMatchObject({ sent: ['a', 'a', 'a', 'b'], waits: [500, 1000], pending: 0 })
    expect(log.states).toContain('away')
  })

  it('stops at a refusal with everything kept, until told to try again', async () => {
    const { outbox, log } = outboxWith([{ kind: 'refused', error: errorReply('stale').error }])
    outbox.add(edit('a'))
    outbox.add(edit('b'))
    await settle()
    expect(log).toMatchObject({ sent: ['a'], saved: 0, pending: 2 })
    expect(log.states.at(-1)).toBe('refused')
    outbox.retry()
    await settle()
    expect(log).toMatchObject({ sent: ['a', 'a', 'b'], saved: 2, pending: 0 })
  })

  it('sends nothing more once stopped', async () => {
    const { outbox, log } = outboxWith([])
    outbox.stop()
    outbox.add(edit('a'))
    await settle()
    expect(log.sent).toEqual([])
  })

  it('keeps why the server takes nothing now, and tries on', async () => {
    const { outbox, log } = outboxWith([{ kind: 'away', error: errorReply('storageFull').error }])
    outbox.add(edit('a'))
    await settle()
    expect(log).toMatchObject({ sent: ['a', 'a'], saved: 1 })
    expect(log.reasons).toContain('storageFull')
  })

  it('sends nothing that waited before until told to, and offers it once when held', async () => {
    const { outbox, log } = outboxWith(
      [done(2), { kind: 'refused', error: errorReply('stale').error }],
      ['a', 'b', 'c'].map(edit),
    )
    await settle()
    expect(log.sent).toEqual([])
    await outbox.hold()
    expect(log).toMatchObject({ sent: ['a', 'b'], pending: 2, saved: 1 })
    outbox.replace([edit('c')])
    await settle()
    expect(log).toMatchObject({ sent: ['a', 'b', 'c'], pending: 0 })
  })

  it('waits for what is on its way before it is held', async () => {
    let answer: (value: Answer<RevisionReply>) => void = () => {}
    const sent: string[] = []
    const outbox = createOutbox({
      waiting: [],
      post: ({ id }) => {
        sent.push(id)
        return new Promise((resolve) => (answer = resolve))
      },
      wait: async () => {},
      onChange: () => {},
      onSaved: () => {},
    })
    outbox.replace([])
    outbox.add(edit('a'))
    let isHeld = false
    const holding = outbox.hold().then(() => (isHeld = true))
    await settle()
    expect([sent, isHeld]).toEqual([['a'], false])
    answer(done(2))
    await holding
    expect(sent).toEqual(['a'])
  })
})
