import { own } from '#core/base'
import {
  isProgrammed,
  type Footswitch,
  type Controller,
  type KeptGesture as Kept,
  putSwitch,
  type Rig,
  placeKey,
  switchesHere,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type KeptGesture = FindingOf<
  'keptGesture',
  {
    readonly controller: string
    readonly how: Kept['how']
    readonly numbers: readonly number[]
    readonly does: string
  }
>

export type EditingOnStage = FindingOf<
  'editingOnStage',
  {
    readonly controller: string
    readonly afterMs: number
    readonly uses: 'release' | 'longPress'
    readonly does: string
  }
>

/** A gesture that is asked for and that the controller keeps for itself. */
export const keptGesture = (rig: Rig): KeptGesture[] =>
  each(rig, (footswitch, controller, kept): KeptGesture[] => {
    const finding = (fix?: Footswitch): KeptGesture => ({
      code: 'keptGesture',
      severity: kept.how === 'together' ? 'hint' : 'error',
      about: { table: 'switches', id: footswitch.id, field: kept.how },
      facts: { controller: controller.name, how: kept.how, numbers: kept.numbers, does: kept.does },
      ...(fix && { fix: { label: 'changeSwitch', changes: [putSwitch(rig, fix)] } }),
    })
    switch (kept.how) {
      case 'press':
        return [finding()]
      case 'doublePress':
        return footswitch.doublePress.length > 0 ? [finding({ ...footswitch, doublePress: [] })] : []
      case 'longPress':
        // One that needs a longer hold than the long press lets that fire first.
        return footswitch.longPress.length > 0 && (kept.afterMs ?? 0) <= controller.longMs
          ? [finding({ ...footswitch, longPress: [] })]
          : []
      case 'together': {
        const [first] = [...kept.numbers].sort((a, b) => a - b)
        const others = kept.numbers.filter((number) => number !== footswitch.number)
        const here = switchesHere(rig, footswitch.bankId, footswitch.layer)
        const isOther = (number: number) => {
          const one = here.get(placeKey({ jack: '', number }))
          return one !== undefined && isProgrammed(one)
        }
        // Said once for the pair, at its lowest number.
        return kept.numbers.length > 1 && footswitch.number === first && others.every(isOther)
          ? [finding()]
          : []
      }
    }
  })

/** A foot that stays down where holding opens editing. */
export const editingOnStage = (rig: Rig): EditingOnStage[] =>
  each(rig, (footswitch, controller, kept): EditingOnStage[] => {
    if (kept.how !== 'longPress' || !kept.opensEditing) return []
    const uses =
      footswitch.release.length > 0 ? 'release' : footswitch.longPress.length > 0 ? 'longPress' : null
    return uses === null
      ? []
      : [
          {
            code: 'editingOnStage',
            severity: uses === 'release' ? 'error' : 'warning',
            about: { table: 'switches', id: footswitch.id, field: uses },
            facts: {
              controller: controller.name,
              afterMs: kept.afterMs ?? controller.longMs,
              uses,
              does: kept.does,
            },
          },
        ]
  })

/** Every programmed switch of a controller's own with every gesture kept that is about it. */
const each = <Found>(
  rig: Rig,
  of: (footswitch: Footswitch, controller: Controller, kept: Kept) => Found[],
): Found[] =>
  Object.values(rig.switches).flatMap((footswitch) => {
    const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
    if (!controller || footswitch.jack !== '' || !isProgrammed(footswitch)) return []
    return controller.keeps.flatMap((kept) =>
      kept.numbers.length === 0 || kept.numbers.includes(footswitch.number)
        ? of(footswitch, controller, kept)
        : [],
    )
  })
