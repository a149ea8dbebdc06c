import { CONTROLLERS } from '#core/archetype'
import { emptyRig, BLANK_BANK, BLANK_SWITCH, BLANK_SOUND, USUAL_SONG, type Rig } from '#core/rig'
import { seeded } from '../core/base/seeded'

/**
 * 300 sounds on 30 banks of ten, put down in the order they first come in a set of 150 songs: each song is of one of 25
 * kinds of twelve sounds, and plays a few of those to and fro.
 */
export function longShow(): Rig {
  const random = seeded(14)
  const some = (count: number) => Math.floor(random() * count)
  const controller = {
    ...CONTROLLERS[0]!.fields,
    id: 'controller',
    order: 1,
    name: 'Long board',
    spot: null,
    rows: 2,
    columns: 6,
    keepsSwitches: 2,
    bankCount: 30,
  } as unknown as Rig['controllers'][string]
  const seen: number[] = []
  const parts: Record<string, unknown> = {}
  const songs: Record<string, unknown> = {}
  for (let n = 0; n < 150; n++) {
    const kind = some(25)
    const own = Array.from({ length: 2 + some(3) }, () => kind * 12 + some(12))
    songs[`song${n}`] = {
      ...USUAL_SONG,
      id: `song${n}`,
      order: n,
      name: `Song ${n}`,
      tempo: null,
      tonight: null,
      countIn: null,
      notes: '',
    }
    for (let k = 0; k < 6; k++) {
      const sound = own[some(own.length)]!
      if (!seen.includes(sound)) seen.push(sound)
      parts[`part${n}-${k}`] = {
        id: `part${n}-${k}`,
        songId: `song${n}`,
        order: k,
        name: '',
        soundId: `sound${sound}`,
        lasts: null,
        ahead: { amount: 1 + some(8), unit: 'seconds' },
        tonight: null,
      }
    }
  }
  for (let n = 0; n < 300; n++) if (!seen.includes(n)) seen.push(n)
  const list = <Row>(count: number, make: (n: number) => Row & { id: string }) =>
    Object.fromEntries(Array.from({ length: count }, (_, n) => make(n)).map((row) => [row.id, row]))
  return {
    ...emptyRig('Long show'),
    controllers: { controller },
    sounds: list(300, (n) => ({ ...BLANK_SOUND, id: `sound${n}`, order: n, name: `Sound ${n}` })),
    banks: list(30, (n) => ({
      ...BLANK_BANK,
      id: `bank${n}`,
      controllerId: 'controller',
      index: n,
      name: `Bank ${n}`,
    })),
    switches: list(300, (n) => ({
      ...BLANK_SWITCH,
      id: `switch${n}`,
      bankId: `bank${Math.floor(n / 10)}`,
      number: (n % 10) + 1,
      positions: [[{ kind: 'recallSound', soundId: `sound${seen[n]!}` }]],
    })),
    songs,
    parts,
    shows: { show: { id: 'show', order: 1, name: 'Long show', songIds: Object.keys(songs) } },
  } as unknown as Rig
}
