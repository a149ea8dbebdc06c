import { own } from '#core/base'
import { change, findPreset, type Rig, type Device, type Preset, type SoundId } from '#core/rig'
import { HEADROOM, presetText } from '#core/sound'
import { soundCells } from './soundCells'
import type { FindingOf } from '../finding'

interface Facts {
  readonly device: string
  readonly loud: string
  readonly quiet: string
  readonly loudPreset: string
  readonly quietPreset: string
  /** On the player's own scale of 0-10. */
  readonly loudLevel: number
  readonly quietLevel: number
  /** What the fix plans the preset at. */
  readonly planned: number
}

export type LevelJump = FindingOf<'levelJump', Facts>
export type NoHeadroom = FindingOf<'noHeadroom', Facts>

/** A preset with a planned level, and a sound that recalls it. */
interface Levelled {
  readonly preset: Preset
  readonly soundId: SoundId
  readonly sound: string
  readonly isLead: boolean
  readonly level: number
}

function levelledOf(rig: Rig): ReadonlyMap<Device, readonly Levelled[]> {
  const all = new Map<Device, Map<string, Levelled>>()
  for (const { sound, device, want } of soundCells(rig)) {
    if (want.kind !== 'be' || want.preset === null) continue
    const preset = findPreset(rig, device.id, want.preset)
    if (!preset || preset.level === null) continue
    const ours = all.get(device) ?? new Map<string, Levelled>()
    all.set(device, ours)
    const isLead = sound.purpose === 'lead'
    const key = `${preset.id} ${isLead}`
    if (!ours.has(key))
      ours.set(key, { preset, soundId: sound.id, sound: sound.name, isLead, level: preset.level })
  }
  return new Map([...all].map(([device, ours]) => [device, [...ours.values()]]))
}

/** The loudest and the quietest preset of a device in sounds, further apart than the room a lead needs. */
export function levelJump(rig: Rig): LevelJump[] {
  return [...levelledOf(rig)].flatMap(([device, all]): LevelJump[] => {
    const byLevel = all.toSorted((a, b) => a.level - b.level)
    const [quiet, loud] = [byLevel[0], byLevel.at(-1)]
    if (!quiet || !loud || loud.level - quiet.level <= HEADROOM) return []
    // The one that stands further from the rest is the one to mend.
    const middle = byLevel[Math.floor((byLevel.length - 1) / 2)]!.level
    const isLoudOdd = loud.level - middle >= middle - quiet.level
    const planned = isLoudOdd ? quiet.level + HEADROOM : loud.level - HEADROOM
    return [found(rig, 'levelJump', device, loud, quiet, isLoudOdd ? loud : quiet, planned)]
  })
}

/** A lead that is no louder than what it should stand out of. */
export function noHeadroom(rig: Rig): NoHeadroom[] {
  return [...levelledOf(rig)].flatMap(([device, all]): NoHeadroom[] => {
    const lead = all.filter(({ isLead }) => isLead).sort((a, b) => a.level - b.level)[0]
    const rhythm = all
      .filter(({ isLead, preset }) => !isLead && preset !== lead?.preset)
      .sort((a, b) => b.level - a.level)[0]
    if (!lead || !rhythm || lead.level > rhythm.level) return []
    const planned = Math.min(10, rhythm.level + 1)
    return planned > rhythm.level
      ? [found(rig, 'noHeadroom', device, rhythm, lead, lead, planned)]
      : [found(rig, 'noHeadroom', device, rhythm, lead, rhythm, lead.level - HEADROOM)]
  })
}

function found<Code extends 'levelJump' | 'noHeadroom'>(
  rig: Rig,
  code: Code,
  device: Device,
  loud: Levelled,
  quiet: Levelled,
  mended: Levelled,
  planned: number,
): FindingOf<Code, Facts> {
  const { preset } = mended
  return {
    code,
    severity: 'warning',
    about: { table: 'sounds', id: mended.soundId, field: `cells.${device.id}` },
    facts: {
      device: device.name,
      loud: loud.sound,
      quiet: quiet.sound,
      loudPreset: presetText(rig, device, loud.preset.index),
      quietPreset: presetText(rig, device, quiet.preset.index),
      loudLevel: loud.level,
      quietLevel: quiet.level,
      planned,
    },
    fix: {
      label: 'planLevel',
      changes: [change('presets', preset.id, own(rig.presets, preset.id)!, { ...preset, level: planned })],
    },
  }
}
