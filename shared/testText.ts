import { own } from '#core/base'
import type { TestLine } from '#core/logbook'
import type { Rig } from '#core/rig'
import { listText } from './words/counts'
import { shortDoes } from './actions/index'

/** What to do for a line of the test plan. */
export function testDoes(line: TestLine): string {
  if (line.kind === 'pedal') return line.end === 'heel' ? 'All the way to the heel' : 'All the way to the toe'
  if (line.kind === 'device') return 'Watch it'
  return {
    press: 'Press',
    again: line.nth === 1 ? 'Press again' : `Press again (${line.nth + 1})`,
    hold: 'Hold two seconds, let go',
    double: 'Twice quickly',
  }[line.how]
}

/** What should come of it. */
export function testExpects(rig: Rig, line: TestLine): string {
  const name = (id: string) => own(rig.devices, id)?.name ?? ''
  if (line.kind === 'device') {
    const by = own(rig.switches, line.bySwitch ?? '')
    return by ? 'Something on it moves when it is called' : 'No switch calls it'
  }
  if (line.kind === 'pedal') {
    const targets = line.targets.map(({ controlId }) => {
      const control = own(rig.controls, controlId)
      return control ? `${name(control.deviceId)} ${control.name}` : ''
    })
    return `${listText([...new Set(targets)])} at that end`
  }
  const does = shortDoes(rig, line.actions) || 'nothing of its own'
  const watch = line.deviceIds.map(name).filter(Boolean)
  return watch.length === 0 ? does : `${does}. Watch ${listText(watch)}`
}
