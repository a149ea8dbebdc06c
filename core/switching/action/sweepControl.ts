import { own } from '#core/base'
import type { ActionOf } from '#core/rig'
import { controlSends, sweepName } from '../controlSends'
import { controlsMeant, valueMeant } from '../phrase/controls'
import { without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import { shortControl } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

/** A value at most so often, in ms: twenty a second and more is heard as one move (common practice, from memory). */
const TICK_MS = 20

/** A run of values beside everything else. The same action while it runs stops it where it is. */
export const sweepControl: ActionDoes<ActionOf<'sweepControl'>> = {
  starts: (rig) => {
    const control = firstControl(rig)
    return (
      control && {
        kind: 'sweepControl',
        controlId: control.id,
        from: 0,
        to: 127,
        ms: 1000,
        curve: 'straight',
      }
    )
  },
  asks: (_, { controlId }) => [`values/${controlId}`],
  steps: (rig, { controlId, from, to, ms, curve }, { known }) => {
    const name = sweepName(controlId)
    if (own(known.running, name) !== undefined) return [{ kind: 'stop', name }]
    const control = own(rig.controls, controlId)
    const start = from ?? own(known.values, controlId) ?? otherEnd(control?.reading, to)
    if (start === null || controlSends(rig, controlId, start).length === 0) return []
    const steps: ActionStep[] = []
    let last: number | null = null
    let waited = 0
    for (const { at, value } of sweepValues(start, to, ms, curve)) {
      // Only what changes is sent.
      if (value === last) continue
      if (at > waited) steps.push({ kind: 'wait', microseconds: (at - waited) * 1000 })
      waited = at
      last = value
      steps.push(...controlSends(rig, controlId, value), {
        kind: 'know',
        learned: { values: { [controlId]: value } },
      })
    }
    return [{ kind: 'start', name, steps }]
  },
  isLit: (_, { controlId }, { running }) => own(running, sweepName(controlId)) !== undefined,
  rows: (rig, { controlId, from, to, ms, curve }) => {
    const at = shortControl(rig, controlId)
    return at && [['sweep', ...at, to, from === null ? 0 : from + 1, PANEL_CURVES.indexOf(curve), ms]]
  },
  // On its way it passes all that lies between.
  values: () => [1],
  reads: (rig, { words }) => {
    const said = without(words, 'sweep')
    const time = said?.findIndex((word) => /^\d+(?:[.,]\d+)?m?s$/.test(word)) ?? -1
    if (!said) return []
    const ms = time < 0 ? 1000 : millisecondsIn(said[time]!)
    const rest = time < 0 ? said : said.toSpliced(time, 1)
    return controlsMeant(rig, rest).flatMap((meant) => {
      const { control, left, fit } = meant
      const ends = left.filter((word) => word !== 'to' && word !== 'from')
      const of = (from: number | null, to: number) => ({
        action: {
          kind: 'sweepControl' as const,
          controlId: control.id,
          from,
          to,
          ms,
          curve: 'straight' as const,
        },
        sureness: fit + 4,
      })
      const single = valueMeant(meant, ends)
      if (single !== null) return [of(null, single)]
      for (let n = 1; n < ends.length; n++) {
        const [a, b] = [valueMeant(meant, ends.slice(0, n)), valueMeant(meant, ends.slice(n))]
        if (a !== null && b !== null && a !== b) return [of(a, b)]
      }
      return []
    })
  },
}

const millisecondsIn = (word: string): number => {
  const ms = Number.parseFloat(word.replace(',', '.')) * (word.endsWith('ms') ? 1 : 1000)
  return Math.round(Math.min(60_000, Math.max(20, ms)))
}

function otherEnd(reading: { readonly kind: string } | undefined, to: number): number | null {
  if (!reading) return null
  const [low, high] =
    'from' in reading && 'to' in reading ? [Number(reading.from), Number(reading.to)] : [0, 127]
  return Math.abs(to - low) < Math.abs(to - high) ? high : low
}

/** Share of the way at share of the time, both from 0 to 1. */
const SHAPES: Record<ActionOf<'sweepControl'>['curve'], (share: number) => number> = {
  straight: (share) => share,
  slowStart: (share) => share * share,
  slowEnd: (share) => 1 - (1 - share) * (1 - share),
  slowBoth: (share) => share * share * (3 - 2 * share),
}

/** The values of a sweep with the ms at which each is due, the first at 0 and the last at `ms`. */
export function sweepValues(
  from: number,
  to: number,
  ms: number,
  curve: ActionOf<'sweepControl'>['curve'],
): { readonly at: number; readonly value: number }[] {
  const ticks = Math.max(1, Math.min(Math.floor(ms / TICK_MS), Math.abs(to - from)))
  return Array.from({ length: ticks + 1 }, (_, n) => ({
    at: Math.round((n * ms) / ticks),
    value: Math.round(from + (to - from) * SHAPES[curve](n / ticks)),
  }))
}

/** In the order of a panel's row. */
const PANEL_CURVES = ['straight', 'slowStart', 'slowEnd', 'slowBoth']
