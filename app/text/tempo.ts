import { own, numberText } from '#core/base'
import type { LoopKind } from '#core/looper'
import type { Division, Control, LoopGesture, LoopState, Rig, Song } from '#core/rig'
import type { LoopFootKind } from '#core/simulate'
import type { ClockVerdict, LoopPlanRefusal, TapOutVerdict, TempoMove, TempoNow } from '#core/switching'
import type { Kept, TapOutRefusal } from '#core/tempo'
import { count } from '#shared/words/counts'

export const DIVISION_TEXT: Readonly<Record<Division, string>> = {
  whole: 'whole note',
  dottedHalf: 'dotted half',
  half: 'half note',
  dottedQuarter: 'dotted quarter',
  halfTriplet: 'half triplet',
  quarter: 'quarter',
  dottedEighth: 'dotted eighth',
  quarterTriplet: 'quarter triplet',
  eighth: 'eighth',
  dottedSixteenth: 'dotted sixteenth',
  eighthTriplet: 'eighth triplet',
  sixteenth: 'sixteenth',
  sixteenthTriplet: 'sixteenth triplet',
  thirtySecond: 'thirty-second',
}

/** "375 ms", "62.5 ms", "1.2 s". */
export const msText = (ms: number): string =>
  Math.abs(ms) >= 10_000
    ? `${numberText(ms / 1000, 1)} s`
    : `${numberText(ms, Math.abs(ms) < 100 ? 1 : 0)} ms`

export const bpmText = (bpm: number): string => numberText(bpm, 1)

/** Who says how fast it is. */
export function tempoFromText(rig: Rig, from: TempoNow['from']): string {
  switch (from?.kind) {
    case undefined:
      return 'nothing yet: the controller goes by its first tempo'
    case 'song':
      return `stored with ${own(rig.songs, from.songId)?.name ?? 'a song that is gone'}`
    case 'sound':
      return `stored with the sound ${own(rig.sounds, from.soundId)?.name ?? 'that is gone'}`
    case 'set':
      return 'set by a switch or bank'
    case 'tap':
      return 'tapped by foot'
    case 'nudge':
      return 'moved by foot'
    case 'clock':
      return 'a clock from outside'
  }
}

/** The same, short, for the dock. */
export const TEMPO_FROM_SHORT = {
  song: 'song',
  sound: 'sound',
  set: 'switch',
  tap: 'tapped',
  nudge: 'by foot',
  clock: 'clock in',
} as const

export const TEMPO_MOVE_TEXT: Readonly<Record<TempoMove['by'], string>> = {
  tap: 'taps it',
  nudge: 'moves it a little',
  set: 'sets it',
  stored: 'gives the stored one back',
  sound: 'recalls a sound with a tempo',
  song: 'goes to another song',
}

/** What of a note value a control can be: "375 ms, value 92, 0.4 ms late". */
export function keptText(control: Control, kept: Kept): string {
  const unit = control.reading.kind === 'range' ? control.reading.unit : ''
  const number = (value: number) =>
    `${numberText(value, unit === 's' || unit === 'Hz' ? 3 : 1)} ${unit}`.trim()
  switch (kept.kind) {
    case 'near':
      return number(kept.reached)
    case 'named':
      return kept.name
    case 'beyond':
      return `${number(kept.wanted)} is beyond ${number(kept.low)} to ${number(kept.high)}`
    case 'unnamed':
      return 'it has no such note value'
  }
}

export function tapRefusalText(refusal: TapOutRefusal): string {
  switch (refusal.code) {
    case 'tooFast':
      return `a tap needs ${msText(refusal.needsMs)}, a beat is ${msText(refusal.beatMs)}`
    case 'forgets':
      return `it forgets after ${msText(refusal.afterMs)}, a beat is ${msText(refusal.beatMs)}`
    case 'beyond':
      return `it takes ${refusal.low} to ${refusal.high} bpm`
  }
}

/** Whether a device is in time for a song. */
export function tapVerdictText({ countIn }: Pick<Song, 'countIn'>, verdict: TapOutVerdict): string {
  switch (verdict.kind) {
    case 'cannot':
      return tapRefusalText(verdict.why)
    case 'notTold':
      return 'not tapped out on coming to it'
    case 'unknown':
      return 'cannot tell: when its first note comes is not said'
    case 'inTime':
      return 'in time'
    case 'late':
      return `late by ${count(verdict.beats - (countIn ?? 0), 'beat')}`
  }
}

export const CLOCK_TEXT: Readonly<Record<ClockVerdict, string>> = {
  kept: 'kept off the clock, as it must be',
  harmed: 'gets a clock it must not get',
  two: 'gets more than one clock',
  follows: 'follows it',
  waits: 'would follow, and none comes',
  passes: 'comes in and is not followed',
  none: 'no clock',
}

export const LOOP_STATE_TEXT: Readonly<Record<LoopState, string>> = {
  empty: 'empty',
  recording: 'recording',
  playing: 'playing',
  overdubbing: 'overdubbing',
  stopped: 'stopped',
}

export const LOOP_GESTURE_TEXT: Readonly<Record<LoopGesture, string>> = {
  press: 'press',
  hold: 'held',
  double: 'pressed twice',
}

export const LOOP_FOOT_TEXT: Readonly<Record<LoopFootKind, string>> = {
  step: 'step',
  twice: 'two quick steps',
  hold: 'held',
}

export const LOOP_KIND_TEXT: Readonly<Record<LoopKind, string>> = {
  oneSwitch: 'One switch: record, play, overdub',
  dubFirst: 'One switch: overdubs after recording',
  twoSwitch: 'Two switches: loop and stop',
  functions: 'A message for each function',
}

export const LOOP_TEMPO_TEXT = {
  own: 'keeps its own time',
  fixes: 'fixes the tempo while there is a loop',
  follows: 'is held to the clock',
} as const

const WISH_TEXT = { run: 'record and play', stop: 'stop', undo: 'undo', clear: 'clear' } as const

export function loopRefusalText(refusal: LoopPlanRefusal): string {
  switch (refusal.code) {
    case 'noLooper':
      return 'Say first how this looper works.'
    case 'notReached':
      return `Nothing of the rig reaches "${refusal.input}". Say what works it, or lay a cable from a switching output.`
    case 'needsMore':
      return `It has a message for each thing: take ${refusal.least} switches or more.`
    case 'cannot':
      return `No press of this looper will ${WISH_TEXT[refusal.wish]}: take fewer switches.`
    case 'noWait':
      return `The controller cannot pause for ${refusal.needsMs} ms between two presses.`
  }
}
