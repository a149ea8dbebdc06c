import { own } from '#core/base'
import {
  perTables,
  CABLING,
  clockSenders,
  clockWaysFrom,
  type ClockWay,
  inOrder,
  type Rig,
  type Controller,
  type Device,
} from '#core/rig'
import { askedOfBank, askedOfList, askedOfSwitch } from './askedOf'

const CLOCK_TABLES = [...CABLING, 'banks', 'switches', 'macros'] as const

/**
 * What comes of the clocks of a rig at one box. `kept`: none may come, and none does; `harmed`: none may come, and one does;
 * `two`: of several, or of one by several ways; `follows`; `waits`: it would follow, and none comes; `passes`: it comes and
 * is not followed; `none`.
 */
export type ClockVerdict = 'kept' | 'harmed' | 'two' | 'follows' | 'waits' | 'passes' | 'none'

/** A box, and what comes to it of a clock. */
export interface ClockAt {
  readonly box: Device | Controller
  readonly table: 'devices' | 'controllers'
  readonly ways: readonly ClockWay[]
  readonly verdict: ClockVerdict
}

/** Controllers that can send clock and are told to by some switch, bank or at power-on, and devices that do by themselves. */
export const clockGivers = perTables(CLOCK_TABLES, (rig: Rig): readonly string[] => {
  const asked = new Set<string>()
  for (const { id, onPower } of Object.values(rig.controllers))
    if (askedOfList(rig, onPower).clock) asked.add(id)
  for (const bank of Object.values(rig.banks)) if (askedOfBank(rig, bank).clock) asked.add(bank.controllerId)
  for (const one of Object.values(rig.switches))
    if (askedOfSwitch(rig, one).clock) asked.add(own(rig.banks, one.bankId)?.controllerId ?? '')
  return clockSenders(rig).filter((id) => asked.has(id) || Object.hasOwn(rig.devices, id))
})

/** For every box that could hear a clock, which come and what comes of it. */
export const clockPlan = perTables(CLOCK_TABLES, (rig: Rig): readonly ClockAt[] => {
  const ways = clockGivers(rig).flatMap((id) => clockWaysFrom(rig, id))
  const at = (table: ClockAt['table'], box: Device | Controller): ClockAt => {
    const ours = ways.filter(({ to }) => to === box.id)
    const harms = 'clockHarms' in box && box.clockHarms
    return { box, table, ways: ours, verdict: verdictOf(ours.length, box.followsClock, harms) }
  }
  return [
    ...inOrder(rig.controllers).map((box) => at('controllers', box)),
    ...inOrder(rig.devices)
      .filter(({ kind }) => kind === 'receiver')
      .map((box) => at('devices', box)),
  ]
})

function verdictOf(ways: number, follows: boolean, harms: boolean): ClockVerdict {
  if (harms) return ways > 0 ? 'harmed' : 'kept'
  if (!follows) return ways > 0 ? 'passes' : 'none'
  return ways === 0 ? 'waits' : ways === 1 ? 'follows' : 'two'
}
