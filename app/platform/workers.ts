import { own } from '#core/base'
import { change, TABLE_NAMES, type Change, type Rig, type TableName, type Tables } from '#core/rig'
import { PACE, type Answered, type Asked, type Pace, type QuestionName } from '~/workers/questions'
import type { FromWorker, ToWorker } from '~/workers/serveQuestions'
import type { Clock } from './clock'

/** Why there is no answer: the question went wrong, its worker died or cannot be fetched, or nothing was heard of it. */
export interface WorkFault {
  readonly kind: 'threw' | 'gone' | 'silent'
  /** As the machine says it; for a report. */
  readonly text: string
}

/** What the one who asked hears. The answer comes with the rig it was made from. */
export interface Ears<Answer> {
  readonly heard: (answer: Answer, madeFrom: Rig) => void
  readonly failed: (fault: WorkFault) => void
  /** How far it is, from 0 to 1, with the best so far where it is one that improves. */
  readonly progress?: (done: number, soFar?: Answer) => void
}

/** One who asks the same question again and again: asking anew, or cancelling, gives up what was asked before. */
export interface Asker<Name extends QuestionName> {
  readonly ask: (rig: Rig, asked: Asked<Name>, ears: Ears<Answered<Name>>) => void
  readonly cancel: () => void
  readonly close: () => void
}

/** All that is worked out off the page's thread. */
export interface Workers {
  readonly open: <Name extends QuestionName>(name: Name) => Asker<Name>
  /** A key was pressed: what is worked out rests for a moment. */
  readonly key: () => void
  /** Whether a foot is down; as long as it is, what is worked out rests. */
  readonly foot: (isDown: boolean) => void
}

/** The part of a worker that is needed of it. */
export interface Port {
  readonly post: (message: ToWorker) => void
  readonly close: () => void
}

export interface PortEars {
  readonly heard: (message: FromWorker) => void
  /** It cannot be fetched, has died, or what it sent cannot be read. */
  readonly died: (text: string) => void
}

export type OpenPort = (ears: PortEars) => Port

/** After a key, or after a foot came off, so long everything rests, in ms. */
const REST = 300
/** A foot that is down longer is no step that is waited for, in ms. */
const REST_MAX = 10_000
/** A worker that waits for nothing and has said nothing for so long does not come back, in ms. */
export const SILENCE_MAX = 90_000

interface Waiting {
  readonly rig: Rig
  readonly ears: Ears<unknown>
}

/** One worker, begun when it is first asked and ended when nobody may ask any more; after a fault the next question begins a new one. */
class Line {
  private port: Port | null = null
  private sent: Rig | null = null
  private readonly waiting = new Map<number, Waiting>()
  private stopWatch: (() => void) | null = null
  private askers = 0
  private isResting = false

  constructor(
    private readonly openPort: OpenPort,
    private readonly after: Clock['after'],
  ) {}

  join(): void {
    this.askers++
  }

  leave(): void {
    if (--this.askers === 0) this.end()
  }

  ask(message: ToWorker & { readonly kind: 'ask' }, waiting: Waiting): void {
    this.waiting.set(message.id, waiting)
    try {
      this.bring(waiting.rig)
      this.port!.post(message)
      this.watch()
    } catch (error) {
      this.fail({ kind: 'gone', text: String(error) })
    }
  }

  cancel(id: number): void {
    if (this.waiting.delete(id)) this.port?.post({ kind: 'cancel', id })
  }

  rest(isOn: boolean): void {
    this.isResting = isOn
    if (this.waiting.size === 0 && isOn) return
    this.port?.post({ kind: 'rest', isOn })
    this.watch()
  }

  /** The worker's rig becomes this one: whole at first, then what has changed. */
  private bring(rig: Rig): void {
    if (!this.port) {
      const mine: Port = this.openPort({
        heard: (message) => this.port === mine && this.hear(message),
        died: (text) => this.port === mine && this.fail({ kind: 'gone', text }),
      })
      this.port = mine
    }
    if (this.isResting) this.port.post({ kind: 'rest', isOn: true })
    const changes = this.sent && changesBetween(this.sent, rig)
    if (!changes) this.port.post({ kind: 'rig', rig })
    else if (changes.length > 0) this.port.post({ kind: 'changes', changes })
    this.sent = rig
  }

  private hear(message: FromWorker): void {
    this.watch()
    const one = this.waiting.get(message.id)
    if (!one) return
    if (message.kind === 'progress') return one.ears.progress?.(message.done, message.soFar)
    this.waiting.delete(message.id)
    if (message.kind === 'answer') one.ears.heard(message.answer, one.rig)
    else one.ears.failed({ kind: message.why, text: message.text })
  }

  /** Nothing that is asked may be waited for for ever. */
  private watch(): void {
    this.stopWatch?.()
    this.stopWatch =
      this.waiting.size === 0 || this.isResting
        ? null
        : this.after(SILENCE_MAX, () => this.fail({ kind: 'silent', text: '' }))
  }

  private fail(fault: WorkFault): void {
    const failed = [...this.waiting.values()]
    this.end()
    for (const { ears } of failed) ears.failed(fault)
  }

  private end(): void {
    this.waiting.clear()
    this.stopWatch?.()
    this.stopWatch = null
    this.port?.close()
    this.port = null
    this.sent = null
  }
}

/** `isOne`: one worker does both the quick and the slow. */
export function createWorkers(openPort: OpenPort, after: Clock['after'], isOne: boolean): Workers {
  const quick = new Line(openPort, after)
  const lines: { readonly [P in Pace]: Line } = { quick, slow: isOne ? quick : new Line(openPort, after) }
  const each = [...new Set(Object.values(lines))]
  let last = 0
  let feet = false
  let stopRest: (() => void) | null = null

  function rest(forMs: number): void {
    if (stopRest) stopRest()
    else for (const line of each) line.rest(true)
    stopRest = after(forMs, () => {
      stopRest = null
      for (const line of each) line.rest(false)
    })
  }

  /** A step or a key, also beside a foot that has been down for so long that nobody waits for it any more. */
  function touch(): void {
    if (!feet || !stopRest) rest(REST)
  }

  return {
    open: (name) => {
      const line = lines[PACE[name]]
      line.join()
      let mine: number | null = null
      let isOpen = true
      const cancel = () => {
        if (mine !== null) line.cancel(mine)
        mine = null
      }
      return {
        ask: (rig, asked, ears) => {
          cancel()
          if (!isOpen) return
          const id = ++last
          mine = id
          line.ask({ kind: 'ask', id, name, asked } as ToWorker & { kind: 'ask' }, {
            rig,
            ears: ears as Ears<unknown>,
          })
        },
        cancel,
        close: () => {
          cancel()
          if (isOpen) line.leave()
          isOpen = false
        },
      }
    },
    key: touch,
    foot: (isDown) => {
      if (isDown === feet) return touch()
      feet = isDown
      rest(isDown ? REST_MAX : REST)
    },
  }
}

/** Rows that are other objects now: an edit leaves all others as they are. */
export function changesBetween(from: Rig, to: Rig): Change[] {
  return TABLE_NAMES.flatMap((table) => {
    if (from[table] === to[table]) return []
    const [before, after] = [rowsOf(from, table), rowsOf(to, table)]
    const gone = Object.keys(before).flatMap((id): Change[] =>
      Object.hasOwn(after, id) ? [] : [change(table, id, before[id] as never, null)],
    )
    const come = Object.keys(after).flatMap((id): Change[] =>
      own(before, id) === after[id] ? [] : [change(table, id, null, after[id] as never)],
    )
    return [...gone, ...come]
  })
}

const rowsOf = (rig: Rig, table: TableName) => rig[table] as { readonly [id: string]: Tables[TableName] }
