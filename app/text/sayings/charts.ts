import { count, listText } from '#shared/words/counts'
import type { Sayings } from './saying'

const KEPT = {
  mode: 'The standard keeps 120 to 127 for all sound off and the like: it may silence the device.',
  bankSelect: 'This device reads it as bank select.',
  parameterNumbers: 'It belongs to NRPN, which this device uses.',
} as const

export const chartSayings: Sayings<
  'controlClash' | 'reservedNumber' | 'lookAlike' | 'notEntered' | 'relearnPair'
> = {
  controlClash: ({ facts: { number, device, control, otherDevice, other, free }, fix }) => ({
    title: `CC ${number} moves two things.`,
    body: `${control} on ${device}, and ${other} on ${device === otherDevice ? 'the same device' : otherDevice}: both react to it.`,
    fix: fix && free !== null ? `Give ${control} CC ${free}` : null,
  }),
  reservedNumber: ({ facts: { control, number, what, free }, fix }) => ({
    title: `CC ${number} is no number for ${control}.`,
    body: KEPT[what],
    fix: fix ? (free === null ? 'Mark it as kept by the device' : `Give it CC ${free}`) : null,
  }),
  lookAlike: ({ facts: { device, one, other, why } }) => ({
    title: `${device} has two that look alike.`,
    body:
      why === 'tap'
        ? `${one} and ${other}: the tap of a looper is not tap tempo.`
        : `${one} and ${other} have one name. Check which is meant.`,
    fix: null,
  }),
  notEntered: ({ facts: { control, presets } }) => ({
    title: `${control} does nothing in ${count(presets.length, 'preset')}.`,
    body: `Its map is kept in each preset and has not been entered in ${listText(presets)}.`,
    fix: null,
  }),
  relearnPair: ({ facts: { device, pair, isLocked, isFirst } }) => ({
    title: `${device} must learn ${pair}${isFirst ? '' : ' again'}.`,
    body: isLocked
      ? 'It is locked, and what it should hold has changed. Learn both states, or undo the change.'
      : 'Learn state A, then state B, and save.',
    fix: 'It has been learned',
  }),
}
