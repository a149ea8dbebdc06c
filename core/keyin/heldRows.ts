import { inOrder, type Rig, namedIn, soundOf, type Action, type Controller, type SoundId } from '#core/rig'
import { actionRows, expanded, combosOf } from '#core/switching'
import { canHold, type Row, type RowShape } from './rows'

/** What a list of actions is in the controller, and which of its actions (from 0) cannot be keyed in there. */
export interface Held {
  readonly rows: readonly Row[]
  readonly left: readonly number[]
}

/** The rows of a list of actions. What a controller keeps whole, a combination or a macro, is one row. */
export function heldRows(rig: Rig, shape: RowShape, actions: readonly Action[]): Held {
  const rows: Row[] = []
  const left = new Set<number>()
  const put = (action: Action, at: number): void => {
    const its = ofAction(rig, shape, action)
    if (its === null || its.some((row) => !canHold(shape, row))) left.add(at)
    else rows.push(...its)
  }
  actions.forEach((action, at) => {
    if (keptAt(rig, shape.controller, action) >= 0) put(action, at)
    else for (const one of expanded(rig, [action])) put(one.action, at)
  })
  return { rows, left: [...left] }
}

/** Macros the controller has room for, in their order. */
export const keptMacros = (rig: Rig, controller: Controller) =>
  inOrder(rig.macros).slice(0, controller.macros)

/** Which of the macros a controller keeps an action runs, from 0; below 0 for none. */
function keptAt(rig: Rig, controller: Controller, action: Action): number {
  const runs = namedIn(action, 'macros')
  return runs === null ? -1 : keptMacros(rig, controller).findIndex(({ id }) => id === runs)
}

/** Null where it cannot be said in rows. */
function ofAction(rig: Rig, { controller }: RowShape, action: Action): readonly Row[] | null {
  const kept = keptAt(rig, controller, action)
  if (kept >= 0) return [['macro', kept]]
  const soundId = soundOf(action)
  const rows = actionRows(rig, controller, action)
  return rows === null || soundId === null ? rows : withCombo(rig, controller, soundId, rows)
}

/** A sound that lives in a combination is that, with what it does not hold beside it. */
function withCombo(rig: Rig, controller: Controller, soundId: SoundId, rows: readonly Row[]): readonly Row[] {
  const combo = combosOf(rig, controller).find(({ sound }) => sound.id === soundId)
  if (!combo || combo.index === null) return rows
  const inside = new Set(combo.programs.map(({ channel, program }) => `${channel - 1}/${program}`))
  const isInside = ([kind, channel, program]: Row): boolean =>
    kind === 'program' && inside.has(`${channel}/${program}`)
  const channels = new Set(combo.programs.map(({ channel }) => channel - 1))
  const isSelect = ([kind, channel, number]: Row): boolean =>
    kind === 'control' && channels.has(channel!) && (number === 0 || number === 32)
  // A program goes where its bank select left it, so those stand before the combination.
  const first = rows.findIndex((row) => isInside(row) || isSelect(row))
  const selects = rows.filter(isSelect)
  const rest = (some: readonly Row[]) => some.filter((row) => !isInside(row) && !isSelect(row))
  return [
    ...rest(rows.slice(0, Math.max(0, first))),
    ...selects,
    ['combo', combo.index],
    ...rest(rows.slice(Math.max(0, first))),
  ]
}
