import { controlsOf } from '#core/chart'
import { receivers, type Rig, type Control } from '#core/rig'
import type { FindingOf } from '../finding'

export type LookAlike = FindingOf<
  'lookAlike',
  { readonly device: string; readonly one: string; readonly other: string; readonly why: 'tap' | 'name' }
>

const fullName = ({ section, name }: Control): string => (section === '' ? name : `${section}: ${name}`)
const isTap = (control: Control): boolean => /\btap\b/i.test(control.name)
const isLoop = (control: Control): boolean => /loop/i.test(fullName(control))

/** Two controls of a device with the same name in different sections, above all a looper's tap and tap tempo. */
export function lookAlike(rig: Rig): LookAlike[] {
  return receivers(rig).flatMap((device) => {
    const first = new Map<string, Control>()
    return controlsOf(rig, device.id).flatMap((control): LookAlike[] => {
      const key = isTap(control) ? 'tap' : control.name.toLowerCase()
      const before = first.get(key)
      if (!before) {
        first.set(key, control)
        return []
      }
      const isSame = key === 'tap' ? isLoop(before) !== isLoop(control) : before.section !== control.section
      // Mix of the echo and mix of the reverb are two things everybody tells apart by their section.
      if (!isSame || (key !== 'tap' && before.section !== '' && control.section !== '')) return []
      return [
        {
          code: 'lookAlike',
          severity: 'hint',
          about: { table: 'controls', id: control.id },
          facts: {
            device: device.name,
            one: fullName(before),
            other: fullName(control),
            why: key === 'tap' ? 'tap' : 'name',
          },
        },
      ]
    })
  })
}
