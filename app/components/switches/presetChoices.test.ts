import { describe, expect, it } from 'vitest'
import { smallRig } from '../../../core/rig/testing/makeRig'
import { presetChoices } from './presetChoices'

const rig = smallRig()
const echo = rig.devices.echo!
const preamp = rig.devices.preamp!

describe('presetChoices', () => {
  it('puts the preset of the very number first', () => {
    expect(presetChoices(rig, echo, 'b4')).toEqual([
      { index: 11, display: 'B4', name: 'Dotted eighth', sent: 'PC 11', text: 'B4 Dotted eighth' },
    ])
    expect(presetChoices(rig, preamp, '12').map(({ display }) => display)).toEqual(
      ['12', ...Array.from({ length: 9 }, (_, n) => `12${n}`)].filter((display) => Number(display) <= 128),
    )
  })

  it('finds by name, and shows named ones first when nothing is typed', () => {
    expect(presetChoices(rig, preamp, 'gri').map(({ text }) => text)).toEqual(['8 Grit'])
    expect(
      presetChoices(rig, preamp, '')
        .slice(0, 3)
        .map(({ text }) => text),
    ).toEqual(['3 Round', '8 Grit', '1'])
    expect(presetChoices(rig, preamp, '')).toHaveLength(100)
    expect(presetChoices(rig, preamp, 'nothing like it')).toEqual([])
  })
})
