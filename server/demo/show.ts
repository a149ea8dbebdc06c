import { USUAL_SONG, type Edit, type PartId, type Rig, type ShowId, type Song, type SongId } from '#core/rig'
import { pasteShow, readShow } from '#core/show'

/** The numbers that follow the conductor: they store no tempo, and have no bank of their own. */
export const CONDUCTED: readonly Song[] = [
  ['overture', 'Overture', 'D minor'],
  ['wall', 'The harbour wall', 'G'],
  ['lamps', 'Lamps out', 'A minor'],
  ['rope', 'Rope walk', 'D'],
  ['boats', 'The lost boats', 'E minor'],
  ['tar', 'Salt and tar', 'A'],
  ['bows', 'Bows', 'D'],
].map(([id, name, key], n) => ({
  ...USUAL_SONG,
  id: id as SongId,
  order: 6 + n,
  name: name!,
  tempo: null,
  tonight: null,
  countIn: null,
  notes: '',
  key: key!,
}))

/** The running order, as a player would paste it. */
const RUNNING = `
Overture
- Gale, all hands, 24 s
- Lantern pad, 20 s, 3 s ahead
- Chorus, drive, 22 s, 2 s ahead
- Bell buoy, 18 s, 4 s ahead
- Verse, dry, 20 s, 2 s ahead
- Pizzicato, 16 s, 3 s ahead
- Low tide, 24 s, 4 s ahead
- Swell, 12 s, 3 s ahead
- Finale, 20 s, 4 s ahead
Net menders
- Verse, dry, 16 bars, 12 s ahead
- Verse, pushed, 16 bars, 4 beats ahead
- Lantern pad, 8 bars
The harbour wall
- Low tide, 40 s
- Gale, all hands, 20 s, 3 s ahead
- Low tide, 30 s, 3 s ahead
- Gale, all hands, 24 s, 3 s ahead
Undertow
- Low tide, 12 bars, 20 s ahead
- Swell, 8 bars, 4 beats ahead
- Swell, doubled, 8 bars
Lamps out
- Lantern pad, 50 s
- Bell buoy, 20 s, 3 s ahead
- Lantern pad, 40 s, 3 s ahead
Entr'acte
- Entr'acte walk, 32 bars, 60 s ahead
- Pizzicato, 16 bars, 4 beats ahead
- Entr'acte walk, 16 bars, 4 beats ahead
The storm
- Storm solo, 16 bars, 20 s ahead
- Storm, an octave down, 8 bars, 4 beats ahead
- Chorus, drive, 16 bars, 4 beats ahead
- Storm solo, 8 bars, 4 beats ahead
Rope walk
- Verse, pushed, 30 s
- Pizzicato, 16 s, 2 s ahead
- Verse, pushed, 30 s, 2 s ahead
- Pizzicato, 20 s, 2 s ahead
The lost boats
- Swell, 40 s
- Bell buoy, 16 s, 3 s ahead
- Swell, 30 s, 3 s ahead
Salt and tar
- Chorus, drive, 24 s
- Gale, all hands, 20 s, 2 s ahead
- Chorus, drive, 24 s, 2 s ahead
- Gale, all hands, 30 s, 2 s ahead
Finale
- Finale, 48 bars, 20 s ahead
Bows
- Verse, dry, 30 s
- Blackout, 10 s, 5 s ahead
`

export const partsOfShow: readonly ((rig: Rig) => Edit | null)[] = [
  (rig) => {
    const read = readShow(rig, RUNNING)
    if (read.faults.length > 0 || read.songs.some(({ known }) => known === null))
      throw new RangeError(`The demo's show cannot be read: ${JSON.stringify(read.faults)}`)
    let made = 0
    return pasteShow(
      rig,
      read,
      {
        song: () => 'none' as SongId,
        part: () => `part-${++made}` as PartId,
        show: () => 'tidewright' as ShowId,
      },
      'The Tidewright',
    )
  },
]
