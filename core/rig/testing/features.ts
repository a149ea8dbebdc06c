import { own } from '../../base/own'
import type { Rig } from '../rig'
import { ACTION_KINDS, type Action } from '../table/action'
import { actionLists } from '../table/switch'

const rows = <Row>(table: { readonly [id: string]: Row }): readonly Row[] => Object.values(table)

/** Every list of actions of a rig, wherever it stands. */
const listsOf = (rig: Rig): readonly (readonly Action[])[] => [
  ...rows(rig.switches).flatMap((one) => actionLists(one).map(({ actions }) => actions)),
  ...rows(rig.banks).flatMap(({ enter, leave }) => [enter, leave]),
  ...rows(rig.controllers).map(({ onPower }) => onPower),
  ...rows(rig.macros).map(({ actions }) => actions),
]

const hasKind = (rig: Rig, kind: Action['kind']) =>
  listsOf(rig).some((list) => list.some((one) => one.kind === kind))

const reachesBeyond = (rig: Rig, bankSelect: 'both' | 'msb' | 'lsb') =>
  rows(rig.presets).some(
    ({ deviceId, index }) => index >= 128 && own(rig.devices, deviceId)?.numbering.bankSelect === bankSelect,
  )

type Features = { readonly [name: string]: (rig: Rig) => boolean }

/** What rigs made for tests have, each at least now and then: every kind of action, every gesture, every way a box can be. */
export const FEATURES: Features = {
  ...Object.fromEntries(ACTION_KINDS.map((kind) => [kind, (rig: Rig) => hasKind(rig, kind)])),
  'presets above 128 by both halves of bank select': (rig) => reachesBeyond(rig, 'both'),
  'presets above 128 by CC 0 alone': (rig) => reachesBeyond(rig, 'msb'),
  'presets above 128 by CC 32 alone': (rig) => reachesBeyond(rig, 'lsb'),
  'two controllers': (rig) => rows(rig.controllers).length > 1,
  'the shift layer': (rig) => rows(rig.switches).some(({ layer }) => layer === 'shift'),
  'a switch on a jack': (rig) => rows(rig.switches).some(({ jack }) => jack !== ''),
  'a switch that stands everywhere': (rig) => rows(rig.switches).some(({ everywhere }) => everywhere),
  'a group': (rig) => rows(rig.switches).some(({ group }) => group !== ''),
  'several positions': (rig) => rows(rig.switches).some(({ positions }) => positions.length > 1),
  'a release': (rig) => rows(rig.switches).some(({ release }) => release.length > 0),
  'a long press': (rig) => rows(rig.switches).some(({ longPress }) => longPress.length > 0),
  'a double press': (rig) => rows(rig.switches).some(({ doublePress }) => doublePress.length > 0),
  'a home': (rig) => rows(rig.controllers).some(({ home }) => home !== null),
  'a list for power on': (rig) => rows(rig.controllers).some(({ onPower }) => onPower.length > 0),
  'a list for coming to a bank': (rig) => rows(rig.banks).some(({ enter }) => enter.length > 0),
  'a list for leaving a bank': (rig) => rows(rig.banks).some(({ leave }) => leave.length > 0),
  'a macro that waits': (rig) =>
    rows(rig.macros).some(({ actions }) => actions.some(({ kind }) => kind === 'wait')),
  ...Object.fromEntries(
    (['none', 'preset', 'control', 'contact'] as const).map((kind) => [
      `bypass: ${kind}`,
      (rig: Rig) => rows(rig.devices).some(({ bypass }) => bypass.kind === kind),
    ]),
  ),
  'deaf and losing': (rig) =>
    rows(rig.devices).some(({ deafMs, whileDeaf }) => deafMs > 0 && whileDeaf === 'loses'),
  'deaf and keeping': (rig) =>
    rows(rig.devices).some(({ deafMs, whileDeaf }) => deafMs > 0 && whileDeaf === 'keeps'),
  'not deaf': (rig) => rows(rig.devices).some(({ kind, deafMs }) => kind === 'receiver' && deafMs === 0),
  ...Object.fromEntries(
    (['switch', 'range', 'named', 'trigger', 'toggle', 'increment'] as const).map((kind) => [
      `reading: ${kind}`,
      (rig: Rig) => rows(rig.controls).some(({ reading }) => reading.kind === kind),
    ]),
  ),
  'an NRPN': (rig) => rows(rig.controls).some(({ address }) => address.kind === 'nrpn'),
}

/** The features that none of these rigs has. */
export const lacking = (rigs: readonly Rig[]): readonly string[] =>
  Object.entries(FEATURES).flatMap(([name, has]) => (rigs.some(has) ? [] : [name]))
