import { cutText, keepable } from '#core/base'
import {
  inOrder,
  type Rig,
  type Part,
  NAME_MAX,
  BPM_LEAST,
  BPM_MOST,
  type Song,
  type SoundId,
} from '#core/rig'

/** What could not be taken from a line as it stands; the rest of the line is taken. */
export interface ShowFault {
  /** From 1. */
  readonly line: number
  readonly code:
    /** No sound is called so: the part is kept under that name, without a sound. */
    | 'noSuchSound'
    /** A bit of the line means nothing here. */
    | 'notUnderstood'
    /** A part before any song. */
    | 'noSong'
    /** The song is there with parts of its own: those stay. */
    | 'hasParts'
    | 'tooLong'
  readonly text: string
}

export interface ReadPart {
  readonly line: number
  readonly name: string
  readonly soundId: SoundId | null
  readonly lasts: Part['lasts']
  readonly ahead: Part['ahead']
}

export interface ReadSong {
  readonly line: number
  readonly name: string
  /** The song of that name there is. */
  readonly known: Song | null
  readonly tempo: number | null
  readonly key: string
  readonly beatsPerBar: number | null
  readonly countIn: number | null
  readonly parts: readonly ReadPart[]
}

export interface ReadShow {
  readonly songs: readonly ReadSong[]
  readonly faults: readonly ShowFault[]
}

const BULLET = /^\s*(?:[-–—*•·]\s*|\d+[.)]\s+)/u
const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const BARS = new RegExp(`^${NUMBER}\\s*bars?$`, 'iu')
const SECONDS = new RegExp(`^${NUMBER}\\s*(?:s|sec|secs|seconds?)$`, 'iu')
const MINUTES = /^(\d+):([0-5]\d)$/u
const BEATS_AHEAD = new RegExp(`^${NUMBER}\\s*beats?(?:\\s+(?:ahead|rest|before))?$`, 'iu')
const SECONDS_AHEAD = new RegExp(`^${NUMBER}\\s*(?:s|sec|secs|seconds?)\\s+(?:ahead|rest|before)$`, 'iu')
const TEMPO = new RegExp(`^${NUMBER}\\s*(?:bpm)?$`, 'iu')
const KEY = /^[A-G](?:#|b|♯|♭)?\s*(?:m|min|minor|maj|major)?$/u
const METRE = /^(\d{1,2})\/(?:2|4|8|16)$/u
const COUNT = /^(?:count(?:\s+in)?\s+(\d+)|(\d+)\s*beats?(?:\s+(?:ahead|rest|before|count))?)$/iu

const numberOf = (text: string): number => Number(text.replace(',', '.'))
const within = (value: number, least: number, most: number): boolean => value >= least && value <= most

/**
 * A show as lines of text: a song a line, its parts below it, each begun with a dash or set in. A part is the name of its
 * sound, then what is known: "16 bars", "40 s", "2 beats ahead". A song is its name, then tempo, key, metre, count. Columns
 * set by tabs go as well: song, sound, the rest. Nothing is guessed: what is not understood is told with its line.
 */
export function readShow(rig: Rig, text: string): ReadShow {
  const songs: (Omit<ReadSong, 'parts'> & { parts: ReadPart[] })[] = []
  const faults: ShowFault[] = []
  const sounds = byLength(inOrder(rig.sounds))
  const known = byLength(inOrder(rig.songs))
  const startSong = (line: number, said: string, rest: readonly string[]) => {
    const { name, bits } = named(known, said)
    if (name.text === '') {
      faults.push({ line, code: 'notUnderstood', text: said })
      return
    }
    const song = {
      line,
      name: name.text,
      known: name.row,
      tempo: null,
      key: '',
      beatsPerBar: null,
      countIn: null,
    }
    songs.push({ ...song, ...songBits([...bits, ...rest], line, faults), parts: [] })
  }
  const addPart = (line: number, said: string, rest: readonly string[]) => {
    const song = songs.at(-1)
    if (!song) {
      faults.push({ line, code: 'noSong', text: said })
      return
    }
    const { name, bits } = named(sounds, said)
    if (name.text === '') {
      faults.push({ line, code: 'notUnderstood', text: said })
      return
    }
    if (name.row === null) faults.push({ line, code: 'noSuchSound', text: name.text })
    const more = partBits([...bits, ...rest], line, faults)
    song.parts.push({ line, name: name.row ? '' : name.text, soundId: name.row?.id ?? null, ...more })
  }
  for (const [n, raw] of text.split(/\r\n|\r|\n/u).entries()) {
    const line = n + 1
    const whole = keepable(raw)
    if (whole.trim() === '') continue
    if (whole.length > 400) {
      faults.push({ line, code: 'tooLong', text: cutText(whole, 40) })
      continue
    }
    const cells = whole.split('\t').map((cell) => cell.trim())
    const isTable =
      cells.length > 1 && cells[1] !== '' && (cells[0] === '' || named(sounds, cells[1]!).name.row !== null)
    if (isTable) {
      const [song = '', sound = '', ...rest] = cells
      if (song !== '' && !isSame(songs.at(-1)?.name ?? '', song)) startSong(line, song, [])
      addPart(
        line,
        sound,
        rest.filter((bit) => bit !== ''),
      )
      continue
    }
    const isPart = BULLET.test(whole) || /^\s/u.test(whole)
    const said = whole.replace(BULLET, '').trim()
    // A dash alone says nothing.
    if (said === '') continue
    // Without a dash it is a part where only a sound is called so.
    const isSound =
      songs.length > 0 && named(sounds, said).name.row !== null && named(known, said).name.row === null
    // A numbered line at the left is a song of a numbered list, unless a sound is called so.
    const isNumbered = /^\d+[.)]\s/u.test(whole)
    if ((isPart && !isNumbered) || isSound) addPart(line, said, [])
    else startSong(line, said, [])
  }
  for (const { known: song, parts, line, name } of songs)
    if (song && parts.length > 0 && Object.values(rig.parts).some(({ songId }) => songId === song.id))
      faults.push({ line, code: 'hasParts', text: name })
  return { songs, faults: faults.sort((a, b) => a.line - b.line) }
}

const byLength = <Row extends { readonly name: string }>(rows: readonly Row[]): Row[] =>
  [...rows].sort((a, b) => b.name.length - a.name.length)

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

/** The longest name a text begins with, and what comes behind it; else all up to the first separator. */
function named<Row extends { readonly name: string }>(
  rows: readonly Row[],
  said: string,
): { name: { text: string; row: Row | null }; bits: string[] } {
  const low = said.toLowerCase()
  const row = rows.find(({ name }) => {
    const start = name.trim().toLowerCase()
    const after = said.slice(start.length).trimStart()
    return start !== '' && low.startsWith(start) && (after === '' || /^[,;|]/u.test(after))
  })
  if (row) return { name: { text: row.name, row }, bits: bitsOf(said.slice(row.name.trim().length)) }
  const [first = '', ...rest] = said.split(/[,;|]/u).map((bit) => bit.trim())
  return {
    name: { text: cutText(first, NAME_MAX).trim(), row: null },
    bits: rest.filter((bit) => bit !== ''),
  }
}

const bitsOf = (text: string): string[] =>
  text
    .split(/[,;|]/u)
    .map((bit) => bit.trim())
    .filter((bit) => bit !== '')

function partBits(
  bits: readonly string[],
  line: number,
  faults: ShowFault[],
): Pick<ReadPart, 'lasts' | 'ahead'> {
  let [lasts, ahead]: [Part['lasts'], Part['ahead']] = [null, null]
  for (const bit of bits) {
    const bars = BARS.exec(bit)
    const seconds = SECONDS.exec(bit)
    const clock = MINUTES.exec(bit)
    const beatsAhead = BEATS_AHEAD.exec(bit)
    const secondsAhead = SECONDS_AHEAD.exec(bit)
    const amount = clock
      ? Number(clock[1]) * 60 + Number(clock[2])
      : numberOf((bars ?? seconds ?? beatsAhead ?? secondsAhead)?.[1] ?? 'none')
    if ((bars || seconds || clock) && within(amount, 0.25, 9999))
      lasts = { amount, unit: bars ? 'bars' : 'seconds' }
    else if ((beatsAhead || secondsAhead) && within(amount, 0, 9999))
      ahead = { amount, unit: beatsAhead ? 'beats' : 'seconds' }
    else faults.push({ line, code: 'notUnderstood', text: bit })
  }
  return { lasts, ahead }
}

function songBits(
  bits: readonly string[],
  line: number,
  faults: ShowFault[],
): Pick<ReadSong, 'tempo' | 'key' | 'beatsPerBar' | 'countIn'> {
  let [tempo, key, beatsPerBar, countIn]: [number | null, string, number | null, number | null] = [
    null,
    '',
    null,
    null,
  ]
  for (const bit of bits) {
    const bpm = numberOf(TEMPO.exec(bit)?.[1] ?? 'none')
    const metre = Number(METRE.exec(bit)?.[1] ?? 'none')
    const count = COUNT.exec(bit)
    const beats = Number(count?.[1] ?? count?.[2] ?? 'none')
    if (within(bpm, BPM_LEAST, BPM_MOST)) tempo = bpm
    else if (KEY.test(bit)) key = bit
    else if (within(metre, 1, 32)) beatsPerBar = metre
    else if (within(beats, 0, 256)) countIn = beats
    else faults.push({ line, code: 'notUnderstood', text: bit })
  }
  return { tempo, key, beatsPerBar, countIn }
}
