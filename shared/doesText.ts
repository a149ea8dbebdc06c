import { own, type Action, type FootGestures, type Rig } from '#core'

const TRAVEL = {
  next: 'next bank',
  previous: 'previous bank',
  back: 'back to the bank before',
  home: 'home bank',
  page: 'next page',
} as const
const LAYER = {
  hold: 'shift while held',
  change: 'shift, and back',
  shift: 'shift',
  base: 'back from shift',
} as const
const SHOW = {
  nextPart: 'next part',
  previousPart: 'previous part',
  nextSong: 'next song',
  previousSong: 'previous song',
} as const

/** The first thing a list does, in two or three words; empty where it only waits or does nothing. */
export function shortDoes(rig: Rig, actions: readonly Action[]): string {
  for (const action of actions) {
    const words = wordsOf(rig, action)
    if (words !== '') return words
  }
  return ''
}

function wordsOf(rig: Rig, action: Action): string {
  const control = (id: string) => own(rig.controls, id)?.name || 'a control'
  const device = (id: string) => own(rig.devices, id)?.name || 'a device'
  switch (action.kind) {
    case 'recallSound':
      return own(rig.sounds, action.soundId)?.name ?? ''
    case 'recallPreset': {
      const preset = own(rig.presets, action.presetId)
      return preset ? `${device(preset.deviceId)}: ${preset.name || `preset ${preset.index}`}` : ''
    }
    case 'stepPreset':
      return `${device(action.deviceId)}: ${action.by === 1 ? 'next' : 'previous'} preset`
    case 'setControl':
    case 'alternateControl':
    case 'stepControl':
    case 'sweepControl':
    case 'scene':
      return control(action.controlId)
    case 'looper':
      return 'looper'
    case 'travel':
      return action.to === 'bank'
        ? `to ${own(rig.banks, action.bankId ?? '')?.name || 'another bank'}`
        : TRAVEL[action.to]
    case 'layer':
      return LAYER[action.does]
    case 'showStep':
      return action.to === 'song'
        ? `first of ${own(rig.songs, action.songId ?? '')?.name ?? 'a song'}`
        : SHOW[action.to]
    case 'tap':
      return 'tap the tempo'
    case 'tapOut':
      return `tempo to ${device(action.deviceId)}`
    case 'tempo':
      return action.does === 'set'
        ? `${action.bpm} bpm`
        : action.does === 'stored'
          ? 'stored tempo'
          : 'tempo a little on'
    case 'clock':
      return 'clock'
    case 'tuner':
      return 'tuner'
    case 'macro':
      return own(rig.macros, action.macroId)?.name ?? ''
    case 'contact':
      return device(action.deviceId)
    case 'note':
    case 'raw':
      return 'a message'
    case 'allOff':
      return 'all off'
    case 'resync':
      return 'send all again'
    case 'wait':
      return ''
  }
}

/** "hold: tuner": what a switch does beside a plain press; a line each. */
export const gestureLines = (rig: Rig, { long, double }: FootGestures): string[] => [
  ...(long.length > 0 ? [`hold: ${shortDoes(rig, long) || 'more'}`] : []),
  ...(double.length > 0 ? [`twice: ${shortDoes(rig, double) || 'more'}`] : []),
]
