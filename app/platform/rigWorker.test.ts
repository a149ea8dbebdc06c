import { describe, expect, it } from 'vitest'
import { editRow, applyEdit, removeRow, soundMatrix, type Matrix, type Rig } from '#core'
import { rigOfNumbers } from '../../core/sound/makeSounds'
import { serveRig } from '../workers/serveRig'
import { changesBetween, createRigWorker, type FromRigWorker, type Port } from './rigWorker'

/** A worker on the same thread: messages go through a clone, as they do to a real one, and are heard when `settle` says. */
function pipe() {
  let hear: (message: unknown) => void = () => {}
  const sent: unknown[] = []
  const replies: FromRigWorker<Matrix>[] = []
  const serve = serveRig<'matrix', Matrix>(
    async (rig, _, tell) => {
      await Promise.resolve()
      return tell(0.5) ? soundMatrix(rig) : null
    },
    (message) => replies.push(structuredClone(message)),
  )
  const port: Port = {
    postMessage: (message) => {
      sent.push(message)
      serve(structuredClone(message) as never)
    },
    listen: (listener) => (hear = listener),
    close: () => {},
  }
  const settle = async () => {
    for (let n = 0; n < 5; n++) await Promise.resolve()
    for (const reply of replies.splice(0)) hear(reply)
  }
  return { port, sent, settle }
}

const rig = rigOfNumbers(Array.from({ length: 80 }, (_, n) => (n * 7919) % 9973))
const edited = (one: Rig, name: string): Rig => {
  const done = applyEdit(one, editRow(one, 'changeSound', 'sounds', 's0', { name })!)
  if (!done.ok) throw new Error(JSON.stringify(done.refusal))
  return done.value
}

describe('work on a rig off the page', () => {
  it('is sent the rig once, then what changed, and answers as the page would', async () => {
    const { port, sent, settle } = pipe()
    const worker = createRigWorker<'matrix', Matrix>(port)
    const answers: [Matrix, Rig][] = []
    let progress = 0
    worker.ask(
      rig,
      'matrix',
      (answer, from) => answers.push([answer, from]),
      (done) => (progress = done),
    )
    await settle()
    const gone = applyEdit(
      edited(rig, 'Other'),
      removeRow(edited(rig, 'Other'), 'removeDevice', 'devices', 'd0')!,
    )
    const next = gone.ok ? gone.value : rig
    worker.ask(next, 'matrix', (answer, from) => answers.push([answer, from]))
    await settle()
    expect(progress).toBe(0.5)
    expect(answers.map(([, from]) => from)).toEqual([rig, next])
    expect(answers.map(([answer]) => answer)).toEqual([soundMatrix(rig), soundMatrix(next)])
    expect(sent.filter((one) => (one as { kind: string }).kind === 'rig')).toHaveLength(1)
  })

  it('answers only what was asked last, and nothing once cancelled', async () => {
    const { port, settle } = pipe()
    const worker = createRigWorker<'matrix', Matrix>(port)
    const heard: string[] = []
    worker.ask(rig, 'matrix', () => heard.push('first'))
    worker.ask(edited(rig, 'Second'), 'matrix', () => heard.push('second'))
    await settle()
    worker.ask(rig, 'matrix', () => heard.push('third'))
    worker.cancel()
    await settle()
    expect(heard).toEqual(['second'])
  })

  it('sends only rows that are others now', () => {
    const next = edited(rig, 'Other')
    expect(changesBetween(rig, next).map(({ table, id }) => `${table}/${id}`)).toEqual(['sounds/s0'])
    expect(changesBetween(rig, rig)).toEqual([])
  })
})
