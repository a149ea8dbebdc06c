import { describe, expect, it } from 'vitest'
import type { PostEdit, RevisionReply } from '#shared/contract/rigs'
import { errorReply } from '#shared/errors'
import type { Answer } from '~/platform/rigServer'
import { createOutbox, type OutboxState } from './outbox'

const edit = (id: string): PostEdit => ({ id, edit: { label: 'nameBank', changes: [] } })
const done = (revision: number): Answer<RevisionReply> => ({
  kind: 'done',
  value: { revision, changedAt: '' },
})
const settle = () => new Promise((resolve) => setTimeout(resolve, 5))

/** An outbox whose server answers with the given answers in turn, and then saves everything. */
function outboxWith(answers: Answer<RevisionReply>[]) {
  const log = {
    sent: [] as string[],
    states: [] as OutboxState['kind'][],
    waits: [] as number[],
    saved: 0,
    pending: 0,
  }
  const outbox = createOutbox({
    post: async ({ id }) => {
      log.sent.push(id)
      return answers.shift() ?? done(1)
    },
    wait: async (milliseconds) => {
      log.waits.push(milliseconds)
    },
    onChange: (pending, { kind }) => {
      log.pending = pending.length
      log.states.push(kind)
    },
    onSaved: () => log.saved++,
  })
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
})
