import type { Device, Rig, Sound } from '#core/rig'
import { formatCell, spokenCells, wantsOf, type Want } from '#core/sound'
import { DOUBT_TEXT } from '~/text/sounds'

/** A place in the table: row of a sound, column 0 for its name and from 1 on for the devices. */
export interface Place {
  readonly row: number
  readonly column: number
}

/** A rectangle of places, both corners included. */
export interface Block {
  readonly top: number
  readonly bottom: number
  readonly left: number
  readonly right: number
}

export const blockOf = (a: Place, b: Place): Block => ({
  top: Math.min(a.row, b.row),
  bottom: Math.max(a.row, b.row),
  left: Math.min(a.column, b.column),
  right: Math.max(a.column, b.column),
})

export const isIn = ({ top, bottom, left, right }: Block, row: number, column: number): boolean =>
  row >= top && row <= bottom && column >= left && column <= right

/** How one cell is shown. */
export interface CellView {
  /** What the sound says, or what that comes to where nobody says anything. */
  readonly text: string
  /** What stands behind the preset: "+ Mix 35 %". */
  readonly extra: string
  readonly isInherited: boolean
  readonly isUnsaid: boolean
  /** Said, and nothing is sent for it: left alone, or the foot's to do. */
  readonly isQuiet: boolean
  /** What is wrong with it, in a few words; empty when nothing is. */
  readonly doubt: string
}

/** Wants are one object for as long as nothing a row shows has changed. */
const known = new WeakMap<ReturnType<typeof wantsOf>, CellView[]>()

/** Every cell of a sound's row, in the order of the devices; worked out again only when the row has changed. */
export function rowViews(rig: Rig, sound: Sound, devices: readonly Device[]): CellView[] {
  const wants = wantsOf(rig, sound)
  let views = known.get(wants)
  if (!views) known.set(wants, (views = work(rig, sound, devices)))
  return views
}

function work(rig: Rig, sound: Sound, devices: readonly Device[]): CellView[] {
  const cells = spokenCells(rig, sound)
  const wants = wantsOf(rig, sound)
  return devices.map((device) => {
    const spoken = cells.get(device.id)
    const want = wants.get(device.id)!
    if (!spoken) return { ...UNSAID, text: want.kind === 'be' ? 'rest' : '' }
    const [text = '', ...more] = formatCell(rig, device, spoken.cell).split(' + ')
    return {
      text: spoken.cell.kind === 'leave' ? 'leave alone' : text,
      extra: more.map((one) => `+ ${one}`).join(' '),
      isInherited: spoken.by !== sound,
      isUnsaid: false,
      isQuiet: want.kind === 'leave' || want.kind === 'foot',
      doubt: doubtOf(want),
    }
  })
}

const UNSAID: CellView = {
  text: '',
  extra: '',
  isInherited: false,
  isUnsaid: true,
  isQuiet: true,
  doubt: '',
}

function doubtOf(want: Want): string {
  const doubt = want.kind === 'cannot' ? want.doubt : want.kind === 'be' ? want.doubts[0] : undefined
  return doubt ? DOUBT_TEXT[doubt.code] : ''
}

/** A block of the table as text for a spreadsheet: a line a sound, a tab between cells. What a sound inherits is written out. */
export function blockText(
  rig: Rig,
  sounds: readonly Sound[],
  devices: readonly Device[],
  { top, bottom, left, right }: Block,
): string {
  return sounds
    .slice(top, bottom + 1)
    .map((sound) => {
      const cells = spokenCells(rig, sound)
      return Array.from({ length: right - left + 1 }, (_, n) => {
        const device = devices[left + n - 1]
        if (!device) return sound.name
        const spoken = cells.get(device.id)
        return spoken ? formatCell(rig, device, spoken.cell) : ''
      }).join('\t')
    })
    .join('\n')
}
