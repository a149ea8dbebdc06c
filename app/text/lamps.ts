import type { Lamp } from '#core/rig'
import type { LampNow } from '#core/switching'

export const LIGHT_TEXT: Record<Lamp['light'], string> = {
  follow: 'follows what it did',
  off: 'off',
  steady: 'steady',
  flash: 'flashing',
  tempo: 'in tempo',
}

/** What a lamp shows, for readers of the screen: "lamp flashing, red". */
export const lampText = ({ light, colour }: LampNow): string =>
  light === 'off'
    ? 'lamp off'
    : `lamp ${light === 'steady' ? 'on' : LIGHT_TEXT[light]}${colour && `, ${colour}`}`

/** Usual words for colours; others are shown in the plain one. */
const COLOURS: Record<string, string> = {
  red: '#d6453d',
  orange: '#e0812f',
  amber: '#e5a52f',
  yellow: '#dcc332',
  green: '#4f9e58',
  turquoise: '#3d9e97',
  cyan: '#3f9fc0',
  blue: '#4d79cf',
  purple: '#8a62c4',
  violet: '#8a62c4',
  pink: '#cf6fa3',
  magenta: '#bd55a8',
  white: '#f4f1e6',
}

/** A colour to paint a lamp of that name with. */
export const lampPaint = (colour: string): string => COLOURS[colour.trim().toLowerCase()] ?? 'var(--tape)'
