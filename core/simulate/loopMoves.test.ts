import { describe, expect, it } from 'vitest'
import { applyEdit } from '../rig/applyEdit'
import { editRow } from '../rig/edits/editRow'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makePreset,
  makeRig,
  makeSwitch,
} from '../rig/testing/makeRig'
import { LOOP_CHARTS } from '../looper/kinds'
import { loopSwitches } from './loopMoves'

const id = (text: string) => text as never

describe('a looper worked by raw bytes', () => {
  const { oneSwitch } = LOOP_CHARTS
  const rig = makeRig({
    controllers: [makeController()],
    devices: [
      makeDevice('looper', 4, {
        looper: {
          ...oneSwitch,
          inputs: oneSwitch.inputs.map((one) => ({ ...one, by: { kind: 'control', controlId: id('foot') } })),
        },
      }),
    ],
    cables: [makeCable('controller.out', 'looper.in')],
    controls: [
      makeControl('foot', 'looper', 20, { map: 'preset', reading: { kind: 'trigger', value: 127 } }),
    ],
    presets: [makePreset('stage', 'looper', 4, 'Stage', { entered: [id('foot')] })],
    banks: [makeBank('one', 0)],
    // Program 4 of channel 4, then CC 20 127 (M1 v4.2.1): the looper's footswitch in the preset that has it.
    switches: [makeSwitch('one', 1, [[{ kind: 'raw', deviceId: id('looper'), hex: 'C3 04 B3 14 7F' }]])],
  })
  const stepOnEmpty = (one: typeof rig) =>
    loopSwitches(one, id('looper'), id('one'), 'base')[0]?.does.step.empty.to

  it('is tried with the preset those bytes call up, and anew when that preset is edited', () => {
    expect(stepOnEmpty(rig)).toBe('recording')
    const edited = applyEdit(rig, editRow(rig, 'changePreset', 'presets', id('stage'), { entered: [] })!)
    if (!edited.ok) throw new Error(JSON.stringify(edited.refusal))
    expect(stepOnEmpty(edited.value)).toBe('empty')
  })
})
