import {
  editRow,
  inOrder,
  type BankId,
  type Edit,
  type PresetId,
  type Rig,
  type Sound,
  type SoundId,
  type SwitchId,
} from '#core/rig'
import { pasteCells, setSwitchSound, type NewIds } from '#core/sound'

/**
 * The sounds of the demo, as a player would type them: a name, then a cell for each device. An empty cell of a
 * variant follows its parent.
 */
const TABLE = `
Verse, dry | 3 Round | off | off | 1 Clean | off | open | by foot: off
Verse, pushed | 3 Round + Drive 38 % | | | | | |
Chorus, drive | 8 Grit | B4 Dotted eighth | off | 2 Drive | off | open | by foot: off
Storm solo | 9 Shout | B5 Dotted, wide | 300 Drowned hall | 3 Drive, boost | 1 Sub | closed | by foot: on
Storm, an octave down | | | off | | 1 Sub + Pitch -12 | |
Lantern pad | 12 Upright | C2 Long tape | 300 Drowned hall | 1 Clean | 2 Bell buoy + Resonance 60 % | open | by foot: off
Shout, learned | pair Verse and shout: B | off | off | 2 Drive | leave | open | by foot: on
Low tide | 12 Upright | off | 12 Net loft | 1 Clean | 1 Sub + Scene 2 | open | by foot: off
Swell | 12 Upright | C2 Long tape | 300 Drowned hall | 1 Clean | leave | open | by foot: off
Swell, doubled | | | | | | closed |
Bell buoy | rest | A1 Off | 12 Net loft | 1 Clean | 2 Bell buoy | open | by foot: off
Entr'acte walk | 3 Round | off | 12 Net loft | 1 Clean | off | open | by foot: off
Pizzicato | 15 Pizzicato | off | 12 Net loft | 1 Clean | off | open | by foot: off
Gale, all hands | 8 Grit + Blend 60 % | B4 Dotted eighth | 12 Net loft | 3 Drive, boost | 1 Sub | closed | by foot: on
Finale | 9 Shout | B5 Dotted, wide | 300 Drowned hall | 3 Drive, boost | 1 Sub | closed | by foot: on
Blackout | off | off | off | 1 Clean | off | open | by foot: off
`

const MORE: readonly (readonly [name: string, fields: Partial<Sound>, parent?: string])[] = [
  ['Verse, dry', { purpose: 'rhythm', tempo: 96 }],
  ['Verse, pushed', { purpose: 'rhythm', tempo: 96, notes: 'Second verse only.' }, 'Verse, dry'],
  ['Chorus, drive', { purpose: 'drive', tempo: 96 }],
  ['Storm solo', { purpose: 'lead', tempo: 132, colour: 'Red' }],
  ['Storm, an octave down', { purpose: 'lead', tempo: 132 }, 'Storm solo'],
  ['Lantern pad', { purpose: 'pad', notes: 'Hold under the dialogue until the lamp goes out.' }],
  ['Low tide', { purpose: 'clean', tempo: 72 }],
  ['Swell', { purpose: 'pad', tempo: 72 }],
  ['Swell, doubled', { purpose: 'pad' }, 'Swell'],
  ["Entr'acte walk", { purpose: 'rhythm', tempo: 118 }],
  ['Finale', { purpose: 'lead', tempo: 140 }],
]

const lines = TABLE.trim()
  .split('\n')
  .map((line) => line.split('|').map((text) => text.trim()))

/** What a player does one after the other to get the sounds into the rig, and some of them onto switches. */
export const soundSteps: readonly ((rig: Rig) => Edit | null)[] = [
  (rig) => {
    let made = 0
    const ids: NewIds = {
      sound: () => `sound-${++made}` as SoundId,
      preset: () => `preset-${++made}` as PresetId,
    }
    const { edit, faults } = pasteCells(rig, lines, { row: 0, column: 0 }, ids)
    if (faults.length > 0) throw new RangeError(`The demo's sounds cannot be read: ${JSON.stringify(faults)}`)
    return edit
  },
  ...MORE.map(
    ([name, fields, parent]) =>
      (rig: Rig) =>
        editRow(rig, 'changeSound', 'sounds', named(rig, name).id, {
          ...fields,
          ...(parent !== undefined && { parentId: named(rig, parent).id }),
        }),
  ),
  onSwitch('menders', 6, 'Storm solo'),
  onSwitch('menders', 7, 'Lantern pad'),
  onSwitch('menders', 8, 'Blackout'),
  onSwitch('undertow', 3, 'Finale'),
]

function named(rig: Rig, name: string): Sound {
  const found = inOrder(rig.sounds).find((sound) => sound.name === name)
  if (!found) throw new RangeError(`The demo has no sound called ${name}`)
  return found
}

function onSwitch(bank: string, number: number, name: string) {
  return (rig: Rig) =>
    setSwitchSound(
      rig,
      { bankId: bank as BankId, number, newId: `${bank}-${number}` as SwitchId },
      0,
      named(rig, name).id,
    )
}
