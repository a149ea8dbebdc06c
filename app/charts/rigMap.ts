import { BOX } from '#core/map'
import type { Link, Spot } from '#core/rig'

/** What a cable carries, told by dash, label and colour. */
export type CableTone = 'midi' | 'usb' | 'air' | 'switching' | 'expression' | 'audio' | 'power'

const TONES: Record<string, CableTone> = {
  midiOut: 'midi',
  midiIn: 'midi',
  usb: 'usb',
  air: 'air',
  switchOut: 'switching',
  switchIn: 'switching',
  expressionOut: 'expression',
  expressionIn: 'expression',
  audioOut: 'audio',
  audioIn: 'audio',
  powerOut: 'power',
  powerIn: 'power',
}

export const toneOf = ({ from }: Pick<Link, 'from'>): CableTone => TONES[from.meant.kind]!

/** What of the floor a map shows: the cables of one kind. */
export type Layer = 'control' | 'sound' | 'power'

export const layerOf = (link: Pick<Link, 'from'>): Layer => {
  const tone = toneOf(link)
  return tone === 'power' ? 'power' : tone === 'audio' ? 'sound' : 'control'
}

/** The short word on the line. */
export function cableLabel({ from, to, cable }: Link): string {
  const [a, b] = [from.meant, to.meant]
  if ('plug' in a && 'plug' in b) {
    if (a.plug === 'din' && b.plug === 'din') return cable.lead === 'din5' ? 'DIN 5' : 'DIN'
    return b.plug === 'trsA' ? 'TRS A' : b.plug === 'trsB' ? 'TRS B' : b.plug === 'trrs' ? 'TRRS' : 'DIN'
  }
  return {
    usb: 'USB',
    air: 'air',
    switching: 'switch',
    expression: 'sweep',
    audio: 'sound',
    power: 'power',
    midi: '',
  }[toneOf({ from })]
}

/** An SVG path through points with every corner rounded; `radius` in px, less where a stretch is short. */
export function roundedPath(points: readonly Spot[], radius: number): string {
  const [first, ...rest] = points
  if (!first) return ''
  const between = (from: Spot, to: Spot, by: number): Spot => {
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
    return { x: from.x + ((to.x - from.x) / length) * by, y: from.y + ((to.y - from.y) / length) * by }
  }
  const half = (a: Spot, b: Spot) => Math.hypot(a.x - b.x, a.y - b.y) / 2
  let path = `M${first.x} ${first.y}`
  rest.forEach((corner, n) => {
    const [before, after] = [points[n]!, points[n + 2]]
    if (!after) {
      path += `L${corner.x} ${corner.y}`
      return
    }
    const by = Math.min(radius, half(before, corner), half(corner, after))
    const [into, out] = [between(corner, before, by), between(corner, after, by)]
    path += `L${into.x} ${into.y}Q${corner.x} ${corner.y} ${out.x} ${out.y}`
  })
  return path
}

export interface MapFrame {
  /** Of the drawing, in px before scaling. */
  readonly width: number
  readonly height: number
  /** What moves the drawing's own origin into the frame. */
  readonly left: number
  readonly top: number
  readonly scale: number
}

const MARGIN = 22
/** Smaller than this, names cannot be read: the map scrolls instead; a little larger than drawn it may be. */
const [SCALE_LEAST, SCALE_MOST] = [0.72, 1.2]

/** Fits all boxes and cables into a view. */
export function frameFor(
  places: Iterable<Spot>,
  corners: Iterable<Spot>,
  view: { readonly width: number; readonly height: number },
): MapFrame {
  const xs = [0]
  const ys = [0]
  for (const { x, y } of places) {
    xs.push(x, x + BOX.width)
    ys.push(y, y + BOX.height)
  }
  for (const { x, y } of corners) {
    xs.push(x)
    ys.push(y)
  }
  const [left, top] = [Math.min(...xs) - MARGIN, Math.min(...ys) - MARGIN]
  const [width, height] = [Math.max(...xs) + MARGIN - left, Math.max(...ys) + MARGIN - top]
  const fit = Math.min(view.width / width, view.height / height)
  return { width, height, left, top, scale: Math.max(SCALE_LEAST, Math.min(SCALE_MOST, fit || 1)) }
}
