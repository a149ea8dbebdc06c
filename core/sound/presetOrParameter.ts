import { own } from '#core/base'
import {
  findPreset,
  type Rig,
  type School,
  type ControlId,
  type Device,
  type Gap,
  type SetValue,
  deafFor,
  isMappedIn,
  type Controller,
} from '#core/rig'
import type { TypedCell } from './formatCell'
import { blocksOf } from './blocks'
import { canBeSet, type Be, type Want } from './want'

/** Whether a device should change presets between two sounds, or stay and be sent controls. */
export interface PresetOrParameter {
  /** How many settings differ; null when one of the presets is not written down. */
  readonly settings: number | null
  /** Settings the first preset has no block for, or no map. */
  readonly lacking: readonly ControlId[]
  /** What is heard when it changes presets. */
  readonly gap: Gap
  /** Messages for the one way and for the other. */
  readonly presetMessages: number
  readonly parameterMessages: number
  readonly verdict:
    | 'stay'
    | 'preset'
    /** Some of what the presets hold is written down nowhere. */
    | 'cannotTell'
  /** What the second sound would say instead, to stay in the first one's preset. */
  readonly stay: TypedCell | null
}

/** More settings than this are quicker recalled (common practice: "a few settings"). */
const FEW = 4

/** Whether two wants in different presets differ in a few known settings only: the cheap half of the question. */
export function mayStay(from: Be, to: Be): boolean {
  if (from.preset === to.preset || from.holds.size !== to.holds.size || to.holds.size === 0) return false
  let differ = 0
  for (const [controlId, value] of to.holds) {
    const before = from.holds.get(controlId)
    if (before === undefined || (before !== value && ++differ > FEW)) return false
  }
  return differ > 0
}

/** Whether a controller cannot wait as long as a device is deaf: values behind a recall would be lost. */
const isLostBehindRecall = (device: Device, controller: Pick<Controller, 'waitMs'> | undefined): boolean =>
  (controller?.waitMs ?? 0) * 1000 < deafFor(device)

/** For a device that two sounds want in two presets; null when they do not. What would be lost behind a recall is sent alone. */
export function presetOrParameter(
  rig: Rig,
  device: Device,
  from: Want,
  to: Want,
  school: School,
  controller: Pick<Controller, 'waitMs'> | undefined,
): PresetOrParameter | null {
  if (from.kind !== 'be' || to.kind !== 'be' || from.preset === null || to.preset === null) return null
  if (from.preset === to.preset) return null
  const preset = findPreset(rig, device.id, from.preset)
  const differ: SetValue[] = []
  let isKnown = from.holds.size > 0 && to.holds.size > 0
  for (const [controlId, value] of to.holds) {
    const before = from.holds.get(controlId)
    if (before === undefined) isKnown = false
    else if (before !== value) differ.push({ controlId, value })
  }
  // What the first holds and the second is not known to hold may differ as well.
  for (const controlId of from.holds.keys()) if (!to.holds.has(controlId)) isKnown = false
  const lacking = differ.flatMap(({ controlId, value }) => {
    const control = own(rig.controls, controlId)
    return control && canBeSet(control, value) && isMappedIn(control, preset) ? [] : [controlId]
  })
  const stay: TypedCell | null =
    lacking.length > 0 || differ.length === 0
      ? null
      : school === 'songPreset' || isLostBehindRecall(device, controller)
        ? { kind: 'values', values: differ }
        : { kind: 'preset', index: from.preset, values: differ }
  const isFew = differ.length <= FEW
  return {
    settings: isKnown ? differ.length : null,
    lacking,
    gap: device.gap,
    presetMessages: messagesOf(rig, device, to),
    parameterMessages: messagesOf(rig, device, { ...to, preset: null, sets: differ }),
    verdict: !isKnown
      ? 'cannotTell'
      : stay && isFew && device.gap.heard !== 'none' && school !== 'presets'
        ? 'stay'
        : 'preset',
    stay: isKnown ? stay : null,
  }
}

const messagesOf = (rig: Rig, device: Device, want: Want): number =>
  blocksOf(rig, device, want, false).reduce((sum, { messages }) => sum + messages.length, 0)
