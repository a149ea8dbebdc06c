import { letterCount, own } from '#core/base'
import {
  type Edit,
  labelSwitch,
  type Rig,
  namedIn,
  type Action,
  type Controller,
  actionLists,
  isProgrammed,
  type Footswitch,
} from '#core/rig'
import { jackPlaces } from '#core/simulate'
import { shortNames } from '#core/sound'
import { needOf, waitOf } from '#core/switching'
import type { FindingOf } from '../finding'

/** What a controller does not have. */
type Beyond =
  | 'release'
  | 'longPress'
  | 'doublePress'
  | 'shift'
  | 'colours'
  | 'wait'
  | 'macros'
  | 'label'
  | 'clock'
  | 'showList'
  | 'jack'
  | 'unplugged'

export type BeyondController = FindingOf<
  'beyondController',
  {
    readonly controller: string
    readonly what: Beyond
    readonly wanted: number
    readonly has: number
    /** A label that fits, where that is the trouble. */
    readonly proposal: string
    readonly text: string
  }
>

/** Something a switch is asked that its controller does not have, each with what would help. */
export const beyondController = (rig: Rig): BeyondController[] => {
  const macrosUsed = new Set<string>()
  const coloursUsed = new Set<string>()
  return Object.values(rig.switches).flatMap((footswitch) => {
    const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
    if (!controller || (!isProgrammed(footswitch) && footswitch.label === '')) return []
    return wantedBeyond(rig, footswitch, controller, macrosUsed, coloursUsed)
  })
}

function wantedBeyond(
  rig: Rig,
  footswitch: Footswitch,
  controller: Controller,
  macrosUsed: Set<string>,
  coloursUsed: Set<string>,
): BeyondController[] {
  const { events } = controller
  const found: BeyondController[] = []
  const say = (
    what: Beyond,
    wanted = 1,
    has = 0,
    more: { proposal?: string; text?: string; fix?: Edit | null } = {},
  ) =>
    found.push({
      code: 'beyondController',
      severity: what === 'label' || what === 'colours' ? 'hint' : what === 'macros' ? 'warning' : 'error',
      about: { table: 'switches', id: footswitch.id, field: what },
      facts: {
        controller: controller.name,
        what,
        wanted,
        has,
        proposal: more.proposal ?? '',
        text: more.text ?? '',
      },
      ...(more.fix && { fix: more.fix }),
    })
  for (const event of ['release', 'longPress', 'doublePress'] as const)
    if (footswitch[event].length > 0 && !events.includes(event)) say(event)
  if (footswitch.layer === 'shift' && !controller.hasShift) say('shift')
  const actions = actionLists(footswitch).flatMap((list) => list.actions)
  sayActions(actions, controller, macrosUsed, say)
  for (const { colour } of footswitch.lamps) if (colour !== '') coloursUsed.add(colour.toLowerCase())
  const asksColour = footswitch.lamps.some(({ colour }) => colour !== '')
  if (asksColour && coloursUsed.size > controller.colours)
    say('colours', coloursUsed.size, controller.colours)
  const { labelLength } = controller
  if (labelLength !== null && letterCount(footswitch.label) > labelLength) {
    const proposal = shorter(rig, footswitch, labelLength)
    say('label', letterCount(footswitch.label), labelLength, {
      text: footswitch.label,
      proposal,
      fix: labelSwitch(rig, { ...footswitch, newId: footswitch.id }, proposal),
    })
  }
  if (footswitch.jack !== '') {
    const place = jackPlaces(rig, controller).find(
      ({ jack, number }) => jack === footswitch.jack && number === footswitch.number,
    )
    if (!place) say('jack', 1, 0, { text: footswitch.jack })
    else if (!place.isPlugged) say('unplugged', 1, 0, { text: place.name })
  }
  return found
}

function sayActions(
  actions: readonly Action[],
  controller: Controller,
  macrosUsed: Set<string>,
  say: (what: Beyond, wanted: number, has: number) => void,
): void {
  const longest = actions.reduce((most, one) => Math.max(most, waitOf(one) ?? 0), 0)
  if (longest > controller.waitMs) say('wait', longest, controller.waitMs)
  const before = macrosUsed.size
  const runs = actions.flatMap((action) => namedIn(action, 'macros') ?? [])
  for (const id of runs) macrosUsed.add(id)
  if (runs.length > 0 && controller.macros === 0) say('macros', macrosUsed.size, 0)
  else if (macrosUsed.size > before && macrosUsed.size > controller.macros)
    say('macros', macrosUsed.size, controller.macros)
  const needs = new Set(actions.map(needOf))
  if (needs.has('clock') && !controller.sendsClock) say('clock', 1, 0)
  if (needs.has('showList') && !controller.keepsShow) say('showList', 1, 0)
}

/** A label that fits and reads like no other of its bank. */
function shorter(rig: Rig, footswitch: Footswitch, most: number): string {
  const others = Object.values(rig.switches).filter(
    (one) => one.bankId === footswitch.bankId && one.id !== footswitch.id && one.label !== '',
  )
  return shortNames([...others.map(({ label }) => label), footswitch.label], most).at(-1)!
}
