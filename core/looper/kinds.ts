import type { LoopChart, LoopGesture, LoopMove, LoopState } from '#core/rig'

/** State charts to start from, by how a looper is worked: generic kinds; the player's manual says what differs. */
export const LOOP_KINDS = ['oneSwitch', 'dubFirst', 'twoSwitch', 'functions'] as const
/** A usual kind of looper, by its footswitches. */
export type LoopKind = (typeof LOOP_KINDS)[number]

const move = (
  from: LoopState,
  input: string,
  gesture: LoopGesture,
  to: LoopState,
  also: LoopMove['also'] = null,
): LoopMove => ({ in: from, input, gesture, to, also })

/** Record, then play, then overdub and play in turn, on one switch. */
const playFirst = (input: string): LoopMove[] => [
  move('empty', input, 'press', 'recording'),
  move('recording', input, 'press', 'playing'),
  move('playing', input, 'press', 'overdubbing'),
  move('overdubbing', input, 'press', 'playing'),
  move('stopped', input, 'press', 'playing'),
]
const all = (states: readonly LoopState[], input: string, gesture: LoopGesture, to: LoopState): LoopMove[] =>
  states.map((state) => move(state, input, gesture, to))

const usual = { acts: 'down', holdMs: 2000, doubleMs: 300, tempo: 'own' } as const
const input = (id: string, name: string) => ({ id, name, by: null })

/** One switch: record, play, overdub; held for two seconds it clears; pressed twice it stops (common practice). */
const oneSwitch: LoopChart = {
  ...usual,
  inputs: [input('one', 'Footswitch')],
  moves: [
    ...playFirst('one'),
    ...all(['recording', 'playing', 'overdubbing', 'stopped'], 'one', 'hold', 'empty'),
    ...all(['recording', 'playing', 'overdubbing'], 'one', 'double', 'stopped'),
  ],
}

/** One switch that overdubs at once after recording; held it takes the last layer away. */
const dubFirst: LoopChart = {
  ...usual,
  inputs: [input('one', 'Footswitch')],
  moves: [
    move('empty', 'one', 'press', 'recording'),
    move('recording', 'one', 'press', 'overdubbing'),
    move('overdubbing', 'one', 'press', 'playing'),
    move('playing', 'one', 'press', 'overdubbing'),
    move('stopped', 'one', 'press', 'playing'),
    move('playing', 'one', 'hold', 'playing', 'undo'),
    move('overdubbing', 'one', 'hold', 'playing', 'undo'),
    ...all(['recording', 'playing', 'overdubbing'], 'one', 'double', 'stopped'),
    move('stopped', 'one', 'hold', 'empty'),
  ],
}

/** Two switches: record, play and overdub on one, held it undoes; stop on the other, held it clears. */
const twoSwitch: LoopChart = {
  ...usual,
  inputs: [input('one', 'Record, play, overdub'), input('two', 'Stop')],
  moves: [
    ...playFirst('one'),
    move('playing', 'one', 'hold', 'playing', 'undo'),
    move('overdubbing', 'one', 'hold', 'playing', 'undo'),
    ...all(['recording', 'playing', 'overdubbing'], 'two', 'press', 'stopped'),
    ...all(['playing', 'stopped'], 'two', 'hold', 'empty'),
  ],
}

/** A message for each function. */
const functions: LoopChart = {
  ...usual,
  inputs: [
    input('record', 'Record'),
    input('play', 'Play'),
    input('overdub', 'Overdub'),
    input('stop', 'Stop'),
    input('undo', 'Undo'),
    input('clear', 'Clear'),
  ],
  moves: [
    ...all(['empty', 'stopped', 'playing'], 'record', 'press', 'recording'),
    ...all(['recording', 'overdubbing', 'stopped'], 'play', 'press', 'playing'),
    ...all(['recording', 'playing', 'stopped'], 'overdub', 'press', 'overdubbing'),
    ...all(['recording', 'playing', 'overdubbing'], 'stop', 'press', 'stopped'),
    move('playing', 'undo', 'press', 'playing', 'undo'),
    move('overdubbing', 'undo', 'press', 'playing', 'undo'),
    move('stopped', 'undo', 'press', 'stopped', 'undo'),
    ...all(['recording', 'playing', 'overdubbing', 'stopped'], 'clear', 'press', 'empty'),
  ],
}

/** The state charts of the usual kinds of looper (common practice). */
export const LOOP_CHARTS: Readonly<Record<LoopKind, LoopChart>> = {
  oneSwitch,
  dubFirst,
  twoSwitch,
  functions,
}

/** Which of the kinds a chart is, whatever works its inputs; null for one of the player's own. */
export const loopKindOf = ({ moves }: LoopChart): LoopKind | null =>
  LOOP_KINDS.find((kind) => JSON.stringify(LOOP_CHARTS[kind].moves) === JSON.stringify(moves)) ?? null
