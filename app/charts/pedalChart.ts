import { scaleLinear } from 'd3-scale'
import { own } from '#core/base'
import { fullEnds, playsAt, STEPS } from '#core/pedal'
import type { Control, PedalRole, Rig, Target } from '#core/rig'

/** Room about the drawing, in px; names stand at the right, where each line ends. */
export const PAD = { left: 46, top: 26, bottom: 22 }

/** Room for names, and how many letters go in it; a narrow drawing has less. */
export const namesRoom = (width: number) => (width < 480 ? { px: 96, letters: 12 } : { px: 148, letters: 18 })

/** A name cut to its room. */
export const shortened = (name: string, letters: number): string =>
  name.length > letters ? `${name.slice(0, letters - 1)}…` : name

/** One target as a line over the travel. */
export interface TargetLine {
  readonly n: number
  readonly name: string
  readonly device: string
  /** Height at each of the 128 steps, as a share of all the control can do. */
  readonly shares: readonly number[]
  readonly tone: Tone
}

/** Lines are told apart by dash and name as well as by colour. */
export const TONES = [
  { colour: 'var(--control)', dash: '' },
  { colour: 'var(--exclusive)', dash: '7 4' },
  { colour: 'var(--program)', dash: '2 3' },
  { colour: 'var(--clock)', dash: '10 3 2 3' },
] as const

export type Tone = (typeof TONES)[number]

/** Share of all a control can do that it plays with the pedal at a step. */
export function shareAt(target: Target, control: Control, position: number): number {
  const { heel, toe } = fullEnds(control)
  return (playsAt(target, control, position) - heel) / (toe - heel)
}

export function targetLines(rig: Rig, { targets }: PedalRole): TargetLine[] {
  return targets.flatMap((target, n): TargetLine[] => {
    const control = own(rig.controls, target.controlId)
    if (!control) return []
    const device = own(rig.devices, control.deviceId)?.name ?? ''
    const shares = Array.from({ length: STEPS + 1 }, (_, position) => shareAt(target, control, position))
    return [{ n, name: control.name, device, shares, tone: TONES[n % TONES.length]! }]
  })
}

/** Scales for a drawing of a size in px: steps of the pedal across, shares upwards. */
export const pedalScales = (width: number, height: number) => ({
  x: scaleLinear([0, STEPS], [PAD.left, Math.max(PAD.left + 40, width - namesRoom(width).px)]),
  y: scaleLinear([0, 1], [height - PAD.bottom, PAD.top]),
})

export type PedalScales = ReturnType<typeof pedalScales>

/** The path of heights at each step; beyond the top it is cut off there. */
export const pathOf = (shares: readonly number[], { x, y }: PedalScales): string =>
  shares
    .map(
      (share, position) =>
        `${position === 0 ? 'M' : 'L'}${round(x(position))},${round(y(Math.min(1.12, share)))}`,
    )
    .join('')

const round = (px: number): number => Math.round(px * 10) / 10

/** Where names stand so that none lies on another: the heights wanted, each at least `apart` px from the next, within the drawing. */
export function namePlaces(wanted: readonly number[], apart: number, top: number, bottom: number): number[] {
  const order = wanted.map((y, n) => ({ y, n })).sort((a, b) => a.y - b.y)
  let last = top - apart
  for (const one of order) last = one.y = Math.max(one.y, last + apart)
  let next = bottom + apart
  for (const one of order.toReversed()) next = one.y = Math.min(one.y, next - apart)
  const places: number[] = []
  for (const { y, n } of order) places[n] = y
  return places
}
