import { own } from '#core/base'
import { type Rig, ABOUT_ID, type School } from '#core/rig'
import { soundCells } from './soundCells'
import type { FindingOf } from '../finding'

export type AgainstSchool = FindingOf<
  'againstSchool',
  { readonly school: School; readonly cells: number; readonly sound: string; readonly device: string }
>

/** Cells that do what the player's way of making sounds does without; one line for all of them, as a hint. */
export function againstSchool(rig: Rig): AgainstSchool[] {
  const school = own(rig.about, ABOUT_ID)?.school ?? 'absolute'
  const against = soundCells(rig).filter(({ want, isOwn, isSpoken, device }) => {
    if (want.kind !== 'be' && want.kind !== 'leave') return false
    switch (school) {
      case 'presets':
        return isOwn && want.kind === 'be' && want.preset !== null && want.sets.length > 0
      case 'absolute':
        return (
          isOwn &&
          want.kind === 'be' &&
          want.preset === null &&
          device.bypass.kind !== 'control' &&
          want.sets.length > 0
        )
      case 'backToRest':
        return !isSpoken && want.kind === 'leave' && device.rest !== null
      case 'songPreset':
        return false
    }
  })
  const [first] = against
  if (!first) return []
  return [
    {
      code: 'againstSchool',
      severity: 'hint',
      about: { table: 'sounds', id: first.sound.id, field: `cells.${first.device.id}` },
      facts: { school, cells: against.length, sound: first.sound.name, device: first.device.name },
      ...(school === 'backToRest' && {
        fix: {
          label: 'setSchool',
          changes: [
            {
              table: 'about',
              id: ABOUT_ID,
              before: own(rig.about, ABOUT_ID)!,
              after: { ...own(rig.about, ABOUT_ID)!, unsaid: 'rest' },
            },
          ],
        },
      }),
    },
  ]
}
