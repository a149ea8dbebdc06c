import type { Action, DeviceId, ControllerId } from '#core/rig'

/** What a player typed, in lower case, word by word; "hold" is taken out and kept apart. A comma within a number is its own. */
export interface Phrase {
  readonly words: readonly string[]
  /** What the foot does goes back when it comes off. */
  readonly isHold: boolean
  /** The words with "hold" among them, since it may be a word of a name. */
  readonly all: readonly string[]
  /** The controller it is typed for. */
  readonly controllerId: ControllerId | null
}

/** One thing a phrase can mean. */
export interface PhraseReading {
  readonly action: Action
  /** The preset that the action recalls has no row yet: it is to be made, with the action's id. */
  readonly makes?: { readonly deviceId: DeviceId; readonly index: number }
  /** What undoes it when the foot comes off, for a hold. */
  readonly release?: Action
  /** Done while the foot is down by itself, and undone as it comes off. */
  readonly isHeld?: boolean
  /** Named by its number alone: of two as sure as each other none is meant more. */
  readonly byNumber?: boolean
  /** How well the words fit: higher is better. */
  readonly sureness: number
}

const HOLD_WORDS: readonly string[] = ['hold', 'momentary']

export const phraseOf = (typed: string, controllerId: ControllerId | null): Phrase => {
  const words = typed
    .toLowerCase()
    .split(/[\s;]+|,(?!\d)|(?<!\d),/)
    .filter((word) => word !== '')
  const kept = words.filter((word) => !HOLD_WORDS.includes(word))
  return { words: kept, isHold: kept.length < words.length, all: words, controllerId }
}

const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[^\p{L}\p{N}#]+/u)
    .filter((word) => word !== '')

/** Words left over when those that begin a word of a name are taken out, each its own; `fit` says how well they did. */
export interface Taken {
  readonly left: readonly string[]
  readonly fit: number
}

/** Takes from typed words those that begin words of `name`: half words do, in any order. */
export function take(words: readonly string[], name: string): Taken {
  const open = wordsOf(name)
  const left: string[] = []
  let fit = 0
  for (const word of words) {
    // "entr'acte" is two words of a name, and one that was typed.
    const parts = wordsOf(word)
    const before = [...open]
    const fits = parts.map((part) => {
      const whole = open.indexOf(part)
      const at = whole >= 0 ? whole : open.findIndex((one) => one.startsWith(part))
      if (at >= 0) open.splice(at, 1)
      return at < 0 ? 0 : whole >= 0 ? 2 : 1
    })
    if (parts.length === 0 || fits.includes(0)) {
      open.splice(0, open.length, ...before)
      left.push(word)
    } else fit += fits.reduce<number>((sum, one) => sum + one, 0)
  }
  // A name said whole is meant more than one of which it is a part.
  return { left, fit: fit > 0 && open.length === 0 ? fit + 1 : fit }
}

/** The words without one of several, said whole or begun with two letters at least; null when none was said. */
export function without(words: readonly string[], ...some: readonly string[]): readonly string[] | null {
  const at = words.findIndex((word) =>
    some.some((one) => one === word || (word.length > 1 && one.startsWith(word))),
  )
  return at < 0 ? null : words.toSpliced(at, 1)
}

/** "on" or "off", where just one of them was said: also where it is a word of a name, "echo on" means no other. */
export function onOrOff(words: readonly string[]): 'on' | 'off' | null {
  const [on, off] = [words.includes('on'), words.includes('off')]
  return on === off ? null : on ? 'on' : 'off'
}

/** A phrase that is one number and nothing else. */
export const onlyNumber = (words: readonly string[]): number | null =>
  words.length === 1 && /^[+-]?\d+(?:[.,]\d+)?$/.test(words[0]!) ? Number(words[0]!.replace(',', '.')) : null
