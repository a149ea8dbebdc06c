import { describe, expect, it } from 'vitest'
import { applyEdit, editRow, removeRow, type Rig } from '#core/rig'
import { soundMatrix } from '#core/sound'
import { smallRig } from '../../core/rig/testing/makeRig'
import { rigOfNumbers } from '../../core/sound/testing/makeSounds'
import { ANSWERERS } from '../workers/answers'
import { PACE, type Asked, type QuestionName } from '../workers/questions'
import { serveQuestions, type Answerer, type Answerers, type ToWorker } from '../workers/serveQuestions'
import { memoryClock } from './clock'
import { changesBetween, createWorkers, SILENCE_MAX, type PortEars, type WorkFault } from './workers'

/** Workers on this thread: messages go through a clone, as they do to real ones. */
function stand(answerers: Answerers, isOne = false) {
  const clock = memoryClock()
  const begun: { ears: PortEars; sent: ToWorker[]; isClosed: boolean }[] = []
  const workers = createWorkers(
    (ears) => {
      const serve = serveQuestions(answerers, (message) => ears.heard(structuredClone(message)))
      const one = { ears, sent: [] as ToWorker[], isClosed: false }
      begun.push(one)
      return {
        post: (message) => {
          one.sent.push(message)
          serve(structuredClone(message))
        },
        close: () => (one.isClosed = true),
      }
    },
    clock.after,
    isOne,
  )
  return { workers, begun, clock }
}

const throws = Object.fromEntries(
  Object.keys(PACE).map((name) => [
    name,
    async () => () => {
      throw new Error(`planted in ${name}`)
    },
  ]),
) as unknown as Answerers

/** Something to ask with each question. */
const ASKED: { readonly [Name in QuestionName]: Asked<Name> } = {
  findings: null,
  search: 'lies',
  matrix: null,
  sheet: 'k0',
  walk: null,
  board: { isMindful: false },
  compare: { before: rigOfNumbers([]), after: null },
  saveStates: { facts: [], rigs: [] },
  chart: { text: 'CC 20 = Gain', columns: null },
}
const NAMES = Object.keys(PACE) as QuestionName[]

const rig = rigOfNumbers(Array.from({ length: 80 }, (_, n) => (n * 7919) % 9973))
const edited = (one: Rig, name: string): Rig => {
  const done = applyEdit(one, editRow(one, 'changeSound', 'sounds', 's0', { name })!)
  if (!done.ok) throw new Error(JSON.stringify(done.refusal))
  return done.value
}

type Said = { readonly answer: unknown; readonly of: Rig } | { readonly fault: WorkFault }
const hear = <Name extends QuestionName>(
  { workers }: ReturnType<typeof stand>,
  name: Name,
  of: Rig = rig,
): Promise<Said> =>
  new Promise((resolve) => {
    workers.open(name).ask(of, ASKED[name], {
      heard: (answer, from) => resolve({ answer, of: from }),
      failed: (fault) => resolve({ fault }),
    })
  })
const aWhile = () => new Promise((resolve) => setTimeout(resolve, 20))

describe('work off the page', () => {
  it('is sent the rig once, then what changed, and answers as the page would', async () => {
    const one = stand(ANSWERERS)
    const asker = one.workers.open('matrix')
    const ask = (of: Rig) =>
      new Promise((resolve, reject) =>
        asker.ask(of, null, { heard: (answer, from) => resolve([answer, from]), failed: reject }),
      )
    expect(await ask(rig)).toEqual([soundMatrix(rig), rig])
    const gone = applyEdit(
      edited(rig, 'Other'),
      removeRow(edited(rig, 'Other'), 'removeDevice', 'devices', 'd0')!,
    )
    const next = gone.ok ? gone.value : rig
    expect(next).not.toBe(rig)
    expect(await ask(next)).toEqual([soundMatrix(next), next])
    expect(one.begun.map(({ sent }) => sent.filter(({ kind }) => kind === 'rig').length)).toEqual([1])
  })

  it('answers every question there is', async () => {
    const one = stand(ANSWERERS)
    for (const name of NAMES) expect(await hear(one, name, smallRig()), name).toHaveProperty('answer')
    // The quick and the slow, and no more.
    expect(one.begun).toHaveLength(2)
    const phone = stand(ANSWERERS, true)
    for (const name of NAMES) expect(await hear(phone, name, smallRig()), name).toHaveProperty('answer')
    expect(phone.begun).toHaveLength(1)
  })

  it('answers only what was asked last, and nothing once cancelled or closed', async () => {
    const one = stand(ANSWERERS)
    const asker = one.workers.open('matrix')
    const heard: string[] = []
    const ask = (of: Rig, as: string) =>
      asker.ask(of, null, { heard: () => heard.push(as), failed: () => heard.push(`${as} failed`) })
    ask(rig, 'first')
    ask(edited(rig, 'Second'), 'second')
    await aWhile()
    ask(rig, 'third')
    asker.cancel()
    await aWhile()
    ask(rig, 'fourth')
    asker.close()
    await aWhile()
    ask(rig, 'fifth')
    await aWhile()
    expect(heard).toEqual(['second'])
    expect(one.begun.map(({ isClosed }) => isClosed)).toEqual([true])
  })

  it('sends only rows that are others now', () => {
    const next = edited(rig, 'Other')
    expect(changesBetween(rig, next).map(({ table, id }) => `${table}/${id}`)).toEqual(['sounds/s0'])
    expect(changesBetween(rig, rig)).toEqual([])
  })
})

describe('work that fails', () => {
  it.each(NAMES)('%s: a throw is told, and the worker goes on', async (name) => {
    const one = stand(throws)
    const said = await hear(one, name)
    expect(said).toMatchObject({ fault: { kind: 'threw', text: `Error: planted in ${name}` } })
    expect(await hear(one, name)).toMatchObject({ fault: { kind: 'threw' } })
    expect(one.begun).toHaveLength(1)
  })

  it.each(NAMES)('%s: code that cannot be fetched is told', async (name) => {
    const lost = Object.fromEntries(NAMES.map((each) => [each, () => Promise.reject(new Error('404'))]))
    expect(await hear(stand(lost as unknown as Answerers), name)).toEqual({
      fault: { kind: 'gone', text: 'Error: 404' },
    })
  })

  it.each(NAMES)('%s: a worker that dies is told, and the next question begins another', async (name) => {
    const never = (() => new Promise(() => {})) as Answerer<never>
    const asleep = Object.fromEntries(NAMES.map((each) => [each, async () => never])) as unknown as Answerers
    const one = stand(asleep)
    const said = hear(one, name)
    await aWhile()
    one.begun[0]!.ears.died('out of memory')
    expect(await said).toEqual({ fault: { kind: 'gone', text: 'out of memory' } })
    expect(one.begun[0]!.isClosed).toBe(true)
    void hear(one, name)
    expect(one.begun).toHaveLength(2)
    expect(one.begun[1]!.sent[0]).toMatchObject({ kind: 'rig' })
    // What the dead one still says is of nobody's interest.
    one.begun[0]!.ears.died('again')
    expect(one.begun[1]!.isClosed).toBe(false)
  })

  it.each(NAMES)('%s: one that says nothing is not waited for for ever', async (name) => {
    const never = (() => new Promise(() => {})) as Answerer<never>
    const asleep = Object.fromEntries(NAMES.map((each) => [each, async () => never])) as unknown as Answerers
    const one = stand(asleep)
    const said = hear(one, name)
    await aWhile()
    one.clock.advance(SILENCE_MAX)
    expect(await said).toMatchObject({ fault: { kind: 'silent' } })
  })

  it('a worker that cannot even be begun, and a rig that cannot be sent', async () => {
    const clock = memoryClock()
    const none = createWorkers(
      () => {
        throw new Error('no workers here')
      },
      clock.after,
      false,
    )
    const said = await hear({ workers: none, begun: [], clock }, 'sheet')
    expect(said).toMatchObject({ fault: { kind: 'gone', text: 'Error: no workers here' } })
    const unsent = await hear(stand(ANSWERERS), 'sheet', { ...rig, cables: (() => 0) as never })
    expect(unsent).toMatchObject({ fault: { kind: 'gone' } })
  })
})

describe('a step comes first', () => {
  const counting = () => {
    let turns = 0
    const walk: Answerer<'walk'> = async (_, __, { pause }) => {
      while (await pause(1)) turns++
      return null
    }
    const one = stand({ ...ANSWERERS, walk: async () => walk })
    const asker = one.workers.open('walk')
    asker.ask(rig, null, { heard: () => {}, failed: () => {} })
    const turnsIn = async () => {
      const before = turns
      await aWhile()
      return turns - before
    }
    return { ...one, asker, turnsIn }
  }

  it('while a foot is down and 300 ms after, and after a key', async () => {
    const { workers, clock, turnsIn, asker } = counting()
    expect(await turnsIn()).toBeGreaterThan(0)
    workers.foot(true)
    await turnsIn()
    expect(await turnsIn()).toBe(0)
    clock.advance(5000)
    expect(await turnsIn()).toBe(0)
    workers.foot(false)
    clock.advance(299)
    expect(await turnsIn()).toBe(0)
    clock.advance(1)
    expect(await turnsIn()).toBeGreaterThan(0)
    workers.key()
    clock.advance(200)
    workers.key()
    clock.advance(200)
    await turnsIn()
    expect(await turnsIn()).toBe(0)
    clock.advance(100)
    expect(await turnsIn()).toBeGreaterThan(0)
    asker.cancel()
  })

  it('but a foot that never comes off does not hold it up for ever, and resting is no silence', async () => {
    const { workers, clock, turnsIn, asker, begun } = counting()
    workers.foot(true)
    await turnsIn()
    clock.advance(9_999)
    expect(await turnsIn()).toBe(0)
    clock.advance(1)
    expect(await turnsIn()).toBeGreaterThan(0)
    expect(begun[0]!.isClosed).toBe(false)
    // Another foot beside it is a step like any other.
    workers.foot(true)
    await turnsIn()
    expect(await turnsIn()).toBe(0)
    clock.advance(300)
    expect(await turnsIn()).toBeGreaterThan(0)
    workers.key()
    await turnsIn()
    expect(await turnsIn()).toBe(0)
    asker.cancel()
  })

  it('and of what is asked meanwhile', async () => {
    const one = stand(ANSWERERS)
    one.workers.key()
    const said: string[] = []
    one.workers
      .open('matrix')
      .ask(rig, null, { heard: () => said.push('heard'), failed: () => said.push('failed') })
    await aWhile()
    expect(said).toEqual([])
    one.clock.advance(300)
    await aWhile()
    expect(said).toEqual(['heard'])
  })
})
