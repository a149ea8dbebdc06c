import { perRow, soundOf, type Action, type Footswitch } from '#core/rig'
import { COMPILE_KEYS, mostSteps, type CompiledStep, type SwitchEvent, showGo } from '#core/switching'
import type { FindingOf } from '../finding'

/** One thing a foot can do to a switch, and what comes of it. */
export interface SwitchList {
  readonly event: SwitchEvent
  /** From 0; matters to presses only. */
  readonly position: number
  readonly actions: readonly Action[]
  /** Of what hangs on where a show is, with the part that takes most messages. */
  readonly steps: readonly CompiledStep[]
}

/** What a foot can do to a switch; lists without actions are left out, but for presses of several. */
export const switchLists = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): readonly SwitchList[] => {
  const list = (event: SwitchEvent, position: number, actions: readonly Action[]): SwitchList => ({
    event,
    position,
    actions,
    steps: mostSteps(rig, footswitch, event, position),
  })
  const { positions, release, longPress, doublePress } = footswitch
  return [
    ...positions.map((actions, n) => list('press', n, actions)),
    list('release', 0, release),
    list('longPress', 0, longPress),
    list('doublePress', 0, doublePress),
  ].filter(({ event, actions }) => actions.length > 0 || (event === 'press' && positions.length > 1))
})

/** Which gesture a finding is about, as part of its facts. */
export interface Gestured {
  readonly event: SwitchEvent
  /** From 0, and of how many. */
  readonly position: number
  readonly positions: number
}

export const gestured = ({ positions }: Footswitch, { event, position }: SwitchList): Gestured => ({
  event,
  position,
  positions: positions.length,
})

export const aboutList = (
  footswitch: Footswitch,
  { event, position }: SwitchList,
): FindingOf<'', null>['about'] => ({
  table: 'switches',
  id: footswitch.id,
  field: event === 'press' ? `positions.${position}` : event,
})

/** The list a fix of a finding changes. */
export const placeOfList = (
  footswitch: Footswitch,
  { event, position }: Pick<SwitchList, 'event' | 'position'>,
) => ({
  of: 'switch' as const,
  slot: { ...footswitch, newId: footswitch.id },
  event,
  position,
})

/** Whether all a list does is recall a sound, be it the next of a show: what is wrong with that is said of the sound. */
export const isOneSound = ({ actions }: SwitchList): boolean =>
  actions.length === 1 && (soundOf(actions[0]!) !== null || showGo(actions[0]!) !== null)
