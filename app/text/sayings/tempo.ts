import type { Finding } from '#core/check'
import { gestureText } from '../gestures'
import { DIVISION_TEXT, msText } from '../tempo'
import type { Sayings } from './saying'

type TempoCode =
  | 'offBeat'
  | 'tapOutCannot'
  | 'tapOutLate'
  | 'tapOutMissing'
  | 'clockHarm'
  | 'twoClocks'
  | 'tapIsLooper'
  | 'loopClear'
  | 'loopStop'
  | 'loopTempo'

type CannotWhy = Extract<Finding, { code: 'tapOutCannot' }>['facts']['why']

function cannotText(why: CannotWhy): string {
  switch (why.code) {
    case 'noWay':
      return 'No switching output and no message reaches the place where it takes taps. Lay a cable from a switching output to its tap jack, or say in Tempo where it takes them.'
    case 'tooFast':
      return `A beat is ${msText(why.beatMs)}, and its contact needs ${msText(why.needsMs)} for one tap. Tap half the tempo, and double it on the device.`
    case 'forgets':
      return `A beat is ${msText(why.beatMs)}, and it forgets a tap after ${msText(why.afterMs)}. Tap double the tempo, and halve it on the device.`
    case 'beyond':
      return `It takes ${why.low} to ${why.high} bpm. Tap double or half the tempo, and set the device's note value to match.`
  }
}

const BY_TEXT = {
  tap: 'A tap on it',
  tapOut: 'The taps it sends out',
  tempo: 'The tempo it sets',
  sound: 'The tempo of its sound',
  song: 'The tempo of the song it comes to',
} as const

const switchName = ({ label, number }: { label: string; number: number }): string =>
  label || `Switch ${number}`

export const tempoSayings: Sayings<TempoCode> = {
  offBeat: ({ facts: { sound, device, control, bpm, division, shown, nearest, value, offMs, errorMs } }) => ({
    title: `${device} ${control} is off the beat in ${sound}.`,
    body: `At ${bpm} bpm ${shown} is ${msText(Math.abs(offMs))} ${offMs > 0 ? 'longer' : 'shorter'} than a ${DIVISION_TEXT[division]}. The nearest is ${nearest} (value ${value}), ${msText(Math.abs(errorMs))} off.`,
    fix: `Set ${nearest}`,
  }),
  tapOutCannot: ({ facts: { device, of, bpm, why } }) => ({
    title: bpm === null ? `Nothing taps at ${device}.` : `No taps tell ${device} ${bpm} bpm.`,
    body: `${of ? `${of} stores it. ` : ''}${cannotText(why)}`,
    fix: null,
  }),
  tapOutLate: ({ facts: { song, device, beats, countIn, ms } }) => ({
    title: `${device} is not in time when ${song} begins.`,
    body: `Its taps take ${beats} beats (${msText(ms)}), and the first note comes after ${countIn}. Step on the bank earlier, or leave the effect off for the first bar.`,
    fix: null,
  }),
  tapOutMissing: ({ facts: { song, device, bank } }) => ({
    title: `${device} keeps the tempo of before in ${song}.`,
    body: `Elsewhere its tempo is tapped out; coming to ${bank || 'the bank of this song'} does not.`,
    fix: 'Tap it out on coming there',
  }),
  clockHarm: ({ facts: { device, from, box, jack } }) => ({
    title: `A clock reaches ${device}, and must not.`,
    body: `It comes from ${from}, last by ${box}, ${jack}. Keep clock back there, if that jack can, or switch clock off on ${device} if it can be.`,
    fix: `Keep clock back at ${jack}`,
  }),
  twoClocks: ({ facts: { device, from, ways } }) => ({
    title:
      from.length > 1
        ? `${device} gets the clocks of ${from.length} boxes.`
        : `${device} gets one clock ${ways} times.`,
    body:
      from.length > 1
        ? `${from.join(' and ')} both send: merged, they run into each other. Let one give the clock.`
        : `The clock of ${from[0]} comes by ${ways} ways: it would go ${ways} times too fast. Take one cable away, or keep clock back on one way.`,
    fix: null,
  }),
  tapIsLooper: ({ facts: { device, control, tempo, event, position, positions } }) => ({
    title: `This tap works a looper, not the tempo.`,
    body: `${gestureText(event, position, positions)}: "${control}" of ${device} would record or overdub at every tap. ${tempo ? `Its tempo is "${tempo}".` : 'It has no tap for the tempo in its chart.'}`,
    fix: tempo ? `Tap "${tempo}" instead` : 'Tap only the controller',
  }),
  loopClear: ({ facts: { device, label, number, how, holdMs, stop } }) => ({
    title: `${device}: clearing is too near to stopping.`,
    body:
      how === 'hold'
        ? `${switchName({ label, number })} stops the loop, and clears it when held for ${msText(holdMs)}: a slow foot loses the loop. Let it count after a second or more, or clear elsewhere.`
        : `One step on ${switchName({ label, number })} clears the loop, and it lies beside ${stop}. Clear by holding instead.`,
    fix: how === 'hold' ? 'A long press after 1 s' : 'Clear by holding',
  }),
  loopStop: ({ facts: { device, bank, from, stop } }) => ({
    title: `A running loop cannot be stopped in ${bank}.`,
    body: `One step leads there from ${from} while ${device} plays, and nothing in ${bank} stops it. Put ${stop || 'its stop'} in every bank, or stop the loop on the way.`,
    fix: `${stop || 'Stop'} in every bank`,
  }),
  loopTempo: ({ facts: { device, label, number, by } }) => ({
    title: `${switchName({ label, number })} changes the tempo beside a running loop.`,
    body: `${BY_TEXT[by]} moves the echoes, and ${device} keeps the tempo of its loop: they drift apart. Stop the loop first, or put it where no loop runs.`,
    fix: null,
  }),
}
