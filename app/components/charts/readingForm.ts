import { cutText } from '#core/base'
import { NAME_MAX, type Reading } from '#core/rig'

/** A first reading of a kind, for a control whose kind the player changes. */
export function blankReading(kind: Reading['kind'], highest: number): Reading {
  switch (kind) {
    case 'switch':
      return { kind, isStrict: false }
    case 'range':
      return { kind, unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: highest }
    case 'named':
      return { kind, names: [{ value: 0, name: 'First' }] }
    case 'trigger':
    case 'toggle':
      return { kind, value: highest }
    case 'increment':
      return { kind, up: 1, down: 0 }
  }
}

/** Named values as lines of text, "0 Scene 1"; {@link parseNames} is the inverse. */
export const formatNames = (names: readonly { value: number; name: string }[]): string =>
  names.map(({ value, name }) => `${value} ${name}`).join('\n')

/** Null when a line has no number, a number twice, or one above `highest`. */
export function parseNames(text: string, highest: number): { value: number; name: string }[] | null {
  const lines = text.split('\n').filter((line) => line.trim() !== '')
  const names = lines.map((line) => /^\s*(\d{1,5})\s*[:=]?\s+(\S.*?)\s*$/.exec(line))
  if (names.length === 0 || names.some((one) => one === null)) return null
  const read = names.map((one) => ({ value: Number(one![1]), name: cutText(one![2]!, NAME_MAX) }))
  const isOnce = new Set(read.map(({ value }) => value)).size === read.length
  return isOnce && read.every(({ value }) => value <= highest) ? read : null
}
