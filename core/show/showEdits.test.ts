import { describe, expect, it } from 'vitest'
import { seeded } from '../base/seeded'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit, type Edit } from '../rig/edit'
import { removeRow } from '../rig/edits/removeRow'
import {
  makeBank,
  makeController,
  makePart,
  makeRig,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
  recallSound,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { aheadMs, partMs, partsOf, playedParts, showOn } from '../rig/showOrder'
import type { BankId } from '../rig/table/bank'
import type { PartId } from '../rig/table/part'
import type { ShowId } from '../rig/table/show'
import type { SongId } from '../rig/table/song'
import type { SoundId } from '../rig/table/sound'
import type { SwitchId } from '../rig/table/switch'
import { readShow } from './readShow'
import {
  addPart,
  addShow,
  banksInOrder,
  differsTonight,
  dropShowTonight,
  fillFromSong,
  freeNumbersOf,
  movePart,
  moveSong,
  partTonight,
  pasteShow,
  placeSound,
  turnOnShow,
} from './showEdits'

const song = (id: string) => id as SongId
const part = (id: string) => id as PartId
const sound = (id: string) => id as SoundId
const SHOW = 'one' as ShowId

const NAMES = ['Verse', 'Verse, dry', 'Chorus', 'Solo', 'Pad', 'Bell', 'Walk', 'Gale', 'End']
const rig = makeRig({
  controllers: [makeController({ keepsSwitches: 2 })],
  sounds: NAMES.map((name, n) => makeSound(`s${n}`, {}, { name, order: n })),
  songs: [
    makeSong('net', 96, { name: 'Net menders', order: 1, countIn: 4 }),
    makeSong('low', 72, { name: 'Undertow', order: 2, beatsPerBar: 3 }),
    makeSong('free', null, { name: 'Overture, first', order: 3 }),
  ],
  parts: [
    makePart('net', 1, 's0', { lasts: { amount: 8, unit: 'bars' } }),
    makePart('net', 2, 's2', { ahead: { amount: 2, unit: 'beats' } }),
    makePart('net', 3, 's0', { ahead: { amount: 1.5, unit: 'seconds' } }),
    makePart('low', 1, 's4'),
  ],
  shows: [makeShow('one', ['low', 'net', 'low'])],
  banks: [
    makeBank('a', 0, 'A', { songId: song('net') }),
    makeBank('b', 1, 'B'),
    makeBank('c', 2, 'C', { songId: song('low') }),
  ],
  switches: [makeSwitch('b', 1, [[recallSound('s0')]]), makeSwitch('b', 3, [[recallSound('s8')]])],
})

const applied = (from: Rig, edit: Edit | null): Rig => {
  if (edit === null) throw new Error('Nothing to do')
  const result = applyEdit(from, edit)
  if (!result.ok) throw new Error(JSON.stringify(result))
  const undone = applyEdit(result.value, invertEdit(edit))
  expect(undone.ok && undone.value).toEqual(from)
  return result.value
}
const order = (one: Rig) => playedParts(one, showOn(one)!).map(({ part: { id } }) => id)

describe('a show', () => {
  it('is played in its order, a song twice where it comes twice', () => {
    expect(order(rig)).toEqual(['low-part-1', 'net-part-1', 'net-part-2', 'net-part-3', 'low-part-1'])
    expect(playedParts(rig, showOn(rig)!).map(({ nth, isFirstOfSong }) => [nth, isFirstOfSong])).toEqual([
      [0, true],
      [1, true],
      [1, false],
      [1, false],
      [2, true],
    ])
  })

  // A beat lasts 60 000 / bpm ms.
  it('knows how long a part lasts and the rest before it, or that nobody said', () => {
    const [one, two, three] = partsOf(rig, song('net'))
    const net = rig.songs['net']!
    expect(partMs(one!, net)).toBe((8 * 4 * 60_000) / 96)
    expect(partMs(two!, net)).toBeNull()
    expect(aheadMs(one!, net, true)).toBe((4 * 60_000) / 96)
    expect(aheadMs(one!, net, false)).toBeNull()
    expect(aheadMs(two!, net, false)).toBe(1250)
    expect(aheadMs(three!, net, false)).toBe(1500)
    expect(partMs(one!, { ...net, tempo: null })).toBeNull()
    const waltz = { ...net, beatsPerBar: 3, tonight: { bpm: 120, since: '2026-11-26' } }
    expect(partMs(one!, waltz)).toBe(12_000)
  })

  it('is put in another order, part by part and song by song, and comes back', () => {
    const moved = applied(rig, movePart(rig, part('net-part-3'), -2))
    expect(partsOf(moved, song('net')).map(({ id }) => id)).toEqual([
      'net-part-3',
      'net-part-1',
      'net-part-2',
    ])
    expect(movePart(rig, part('net-part-1'), -1)).toBeNull()
    expect(applied(rig, moveSong(rig, SHOW, 1, 0)).shows['one']!.songIds).toEqual(['net', 'low', 'low'])
    expect(applied(rig, moveSong(rig, SHOW, 0, 99)).shows['one']!.songIds).toEqual(['net', 'low', 'low'])
    expect(moveSong(rig, SHOW, 2, 9)).toBeNull()
    expect(moveSong(rig, SHOW, 7, 0)).toBeNull()
  })

  it('differs tonight in what is said, and no longer', () => {
    let now = applied(rig, partTonight(rig, part('net-part-2'), { isOut: true }, '2026-11-26'))
    now = applied(now, partTonight(now, part('net-part-1'), { soundId: sound('s3') }, '2026-11-26'))
    expect(order(now)).not.toContain('net-part-2')
    expect(playedParts(now, showOn(now)!)[1]!.soundId).toBe('s3')
    expect(differsTonight(now)).toBe(2)
    // Its own sound is nothing that differs.
    const same = applied(now, partTonight(now, part('net-part-1'), { soundId: sound('s0') }, '2026-11-26'))
    expect(same.parts['net-part-1']!.tonight).toBeNull()
    expect(applied(now, dropShowTonight(now))).toEqual(rig)
    expect(dropShowTonight(rig)).toBeNull()
  })

  it('keeps its parts when a sound goes, and loses a song that goes', () => {
    const without = applied(rig, removeRow(rig, 'removeSound', 'sounds', 's0'))
    expect(partsOf(without, song('net')).map(({ soundId }) => soundId)).toEqual([null, 's2', null])
    const gone = applied(rig, removeRow(rig, 'removeSong', 'songs', 'low'))
    expect(gone.shows['one']!.songIds).toEqual(['net'])
    expect(gone.parts['low-part-1']).toBeUndefined()
  })

  it('is one of several: the one turned on, else the first', () => {
    const two = applied(rig, addShow(rig, 'two' as ShowId, 'Matinee', [song('free')]))
    expect(showOn(two)!.id).toBe('one')
    const on = applied(two, turnOnShow(two, 'two' as ShowId))
    expect(showOn(on)!.id).toBe('two')
    expect(showOn(applied(on, removeRow(on, 'removeShow', 'shows', 'two')))!.id).toBe('one')
    expect(showOn(makeRig())).toBeNull()
  })
})

describe('switches for a show', () => {
  let made = 0
  const newId = () => `new-${++made}` as SwitchId

  it('a bank is filled from a song: what is there stays, what finds no room is told', () => {
    const bank = 'a' as BankId
    const { edit, left } = fillFromSong(rig, bank, song('net'), newId)
    const filled = applied(rig, edit)
    expect(left).toEqual([])
    const there = Object.values(filled.switches).filter(({ bankId }) => bankId === bank)
    expect(there.map(({ number, positions }) => [number, positions])).toEqual([
      [1, [[recallSound('s0')]]],
      [2, [[recallSound('s2')]]],
    ])
    // The second press finds all of it there.
    expect(fillFromSong(filled, bank, song('net'), newId)).toEqual({ edit: null, left: [] })
    // The bank of another song is not taken from it.
    expect(fillFromSong(rig, 'c' as BankId, song('net'), newId)).toEqual({ edit: null, left: [] })
    let many = rig
    for (const id of ['s1', 's3', 's4', 's5', 's6', 's7', 's8'])
      many = applied(many, addPart(many, part(`more-${id}`), song('net'), sound(id)))
    // Six switches, two of them taken, one by a sound of the song: of its seven others four find room.
    const tight = fillFromSong(many, 'b' as BankId, song('net'), newId)
    expect(tight.left).toHaveLength(3)
    expect(applied(many, tight.edit).banks['b']!.songId).toBe('net')
    expect(applied(many, tight.edit).switches['b-1']).toEqual(rig.switches['b-1'])
  })

  it('a sound is put on the first free switch, those the controller keeps left out', () => {
    const bank = 'b' as BankId
    expect(freeNumbersOf(rig, bank)).toEqual([2, 4, 5, 6])
    const placed = applied(rig, placeSound(rig, bank, sound('s5'), 'new' as SwitchId))
    expect(placed.switches['new']).toMatchObject({ number: 2, positions: [[recallSound('s5')]] })
    let full = rig
    for (let n = 0; n < 4; n++) full = applied(full, placeSound(full, bank, sound('s5'), newId()))
    expect(placeSound(full, bank, sound('s5'), newId())).toBeNull()
  })

  it('banks of songs come in playing order, the others stay', () => {
    const ordered = applied(rig, banksInOrder(rig, rig.shows['one']!))
    expect(Object.values(ordered.banks).map(({ id, index }) => [id, index])).toEqual([
      ['a', 2],
      ['b', 1],
      ['c', 0],
    ])
    expect(banksInOrder(ordered, ordered.shows['one']!)).toBeNull()
  })
})

describe('a show as lines of text', () => {
  it('is read: songs at the left, parts below, what is known behind them', () => {
    const { songs, faults } = readShow(
      rig,
      [
        'Net menders, 98.5 bpm, E minor, 6/8, count 2',
        '- Verse, dry, 16 bars, 2 beats ahead',
        '  Chorus; 1:30; 4 s before',
        '',
        'A new one | 120 | F#m',
        '* Verse',
        'Solo',
        'Overture, first',
      ].join('\r\n'),
    )
    expect(faults).toEqual([{ line: 1, code: 'hasParts', text: 'Net menders' }])
    expect(
      songs.map(({ name, known, tempo, key, beatsPerBar, countIn }) => [
        name,
        known?.id,
        tempo,
        key,
        beatsPerBar,
        countIn,
      ]),
    ).toEqual([
      ['Net menders', 'net', 98.5, 'E minor', 6, 2],
      ['A new one', undefined, 120, 'F#m', null, null],
      ['Overture, first', 'free', null, '', null, null],
    ])
    expect(
      songs.map(({ parts }) => parts.map(({ soundId, lasts, ahead }) => [soundId, lasts, ahead])),
    ).toEqual([
      [
        ['s1', { amount: 16, unit: 'bars' }, { amount: 2, unit: 'beats' }],
        ['s2', { amount: 90, unit: 'seconds' }, { amount: 4, unit: 'seconds' }],
      ],
      [
        ['s0', null, null],
        ['s3', null, null],
      ],
      [],
    ])
  })

  it('set in columns is read too, and a numbered list is one of songs', () => {
    const table = readShow(rig, 'Reprise\tVerse, dry\t8 bars\n\tBell\nUndertow\tPad\t40 s')
    expect(table.songs.map(({ name, parts }) => [name, parts.map(({ soundId }) => soundId)])).toEqual([
      ['Reprise', ['s1', 's5']],
      ['Undertow', ['s4']],
    ])
    expect(readShow(rig, '1. Undertow\n2. Net menders').songs.map(({ known }) => known?.id)).toEqual([
      'low',
      'net',
    ])
  })

  it('tells what it does not understand, with its line, and takes the rest', () => {
    const text = `- Verse\nNew, 9999, loud\n- Choruss, 8 bars, 3 elephants\n${'x'.repeat(401)}`
    const { songs, faults } = readShow(rig, text)
    expect(faults.slice(0, 5)).toEqual([
      { line: 1, code: 'noSong', text: 'Verse' },
      { line: 2, code: 'notUnderstood', text: '9999' },
      { line: 2, code: 'notUnderstood', text: 'loud' },
      { line: 3, code: 'noSuchSound', text: 'Choruss' },
      { line: 3, code: 'notUnderstood', text: '3 elephants' },
    ])
    expect(faults[5]).toMatchObject({ line: 4, code: 'tooLong' })
    expect(songs[0]!.parts).toMatchObject([
      { name: 'Choruss', soundId: null, lasts: { amount: 8, unit: 'bars' } },
    ])
    expect(readShow(rig, ' \n\t\n').songs).toEqual([])
  })

  it('never throws, loses no line silently, and what it reads can be made: random lines', () => {
    const random = seeded(9)
    const some = (count: number) => Math.floor(random() * count)
    const BITS = [
      'Verse',
      'Verse, dry',
      'Net menders',
      '- ',
      '\t',
      '|',
      ', ',
      '16 bars',
      '2 beats ahead',
      '96',
      'E minor',
      '3/4',
      '\n',
      '\r\n',
      '1:30',
      '\u0000',
      '\ud800',
      '🎸',
      '9e99',
      ' ',
      'x',
      '-1 s',
      '1. ',
      '• ',
    ]
    let made = 0
    const next = (kind: string) => `${kind}-${++made}`
    for (let n = 0; n < 3000; n++) {
      const text = Array.from({ length: 1 + some(20) }, () => BITS[some(BITS.length)]).join('')
      const read = readShow(rig, text)
      const lines = text.split(/\r\n|\r|\n/u)
      const told = new Set([
        ...read.faults.map(({ line }) => line),
        ...read.songs.flatMap(({ line, parts }) => [line, ...parts.map((one) => one.line)]),
      ])
      for (const [k, line] of lines.entries())
        if (/[\p{L}\p{S}]/u.test(line)) expect([text, k + 1, told.has(k + 1)]).toEqual([text, k + 1, true])
      const edit = pasteShow(
        rig,
        read,
        { song: () => next('s') as SongId, part: () => next('p') as PartId, show: () => next('w') as ShowId },
        'Tonight',
      )
      if (edit) expect([text, applyEdit(rig, edit).ok]).toEqual([text, true])
    }
  })

  it('is made in one edit: new songs, parts where there are none; twice makes no song twice', () => {
    let made = 0
    const ids = {
      song: () => `song-${++made}` as SongId,
      part: () => `part-${++made}` as PartId,
      show: () => `show-${++made}` as ShowId,
    }
    const text = 'Net menders, 100\n- Bell\nA new one, 120\n- Verse, dry, 8 bars\n- Unknown\nA new one'
    const once = applied(rig, pasteShow(rig, readShow(rig, text), ids, 'Tonight'))
    expect(Object.keys(once.songs)).toHaveLength(4)
    expect(once.songs['net']!.tempo).toBe(100)
    expect(partsOf(once, song('net'))).toEqual(partsOf(rig, song('net')))
    const added = Object.values(once.songs).find(({ name }) => name === 'A new one')!
    expect(partsOf(once, added.id).map(({ name, soundId }) => [name, soundId])).toEqual([
      ['', 's1'],
      ['Unknown', null],
    ])
    expect(once.shows['one']!.songIds).toEqual(['low', 'net', 'low', 'net', added.id, added.id])
    const twice = applied(once, pasteShow(once, readShow(once, text), ids, 'Tonight'))
    expect(Object.keys(twice.songs)).toHaveLength(4)
    expect(Object.keys(twice.parts)).toHaveLength(Object.keys(once.parts).length)
    const empty = makeRig()
    const first = applied(empty, pasteShow(empty, readShow(empty, 'One\nTwo'), ids, 'Tonight'))
    expect(showOn(first)).toMatchObject({ name: 'Tonight' })
    expect(pasteShow(rig, readShow(rig, ''), ids, 'Tonight')).toBeNull()
  })
})
