import { describe, expect, it } from 'vitest'
import { CONTROLLERS, DEVICES } from '#core/archetype'
import type { Task } from '#core/setup'
import { taskText } from './checklist'
import { badCellText, readingText, shownRefusalText } from './charts'
import { lengthText, partsText } from '#shared/cableText'
import { channelsText } from './paths'

describe('channels in words', () => {
  it.each([
    [[], 'No channels'],
    [[4], 'Channel 4'],
    [[1, 2, 3, 7, 9, 10], 'Channels 1-3, 7, 9-10'],
    [Array.from({ length: 16 }, (_, n) => n + 1), 'All channels'],
  ])('%j', (channels, text) => {
    expect(channelsText(channels)).toBe(text)
  })
})

describe('cables in words', () => {
  it('name every part', () => {
    expect(partsText({ lead: 'din3', adapters: ['dinTrsB'] })).toBe(
      'DIN cable with DIN to TRS type B adapter',
    )
    expect([lengthText(60), lengthText(150), lengthText(600)]).toEqual(['60 cm', '1.5 m', '6 m'])
  })
})

describe('values in words', () => {
  it('say the range with the size of a step', () => {
    expect(
      readingText({ kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 }, 127),
    ).toBe('0 to 100 %, steps of 0.79')
    expect(readingText({ kind: 'switch', isStrict: true }, 127)).toBe('0 off, 127 on, nothing else')
  })

  it('say what may be typed instead', () => {
    expect(shownRefusalText({ code: 'outside', text: '135', low: 0, high: 100, unit: '%' })).toBe(
      '135 is outside 0 to 100 %.',
    )
    expect(badCellText({ why: 'noNumber', cell: 'x' })).toContain('Write 21, CC 21 or 15h.')
  })
})

describe('the checklist in words', () => {
  const tasks: Task[] = [
    { kind: 'channel', device: 'Echo', channel: 4, factory: 'omni' },
    { kind: 'save', box: 'Echo', how: 'powerOff', losesEdits: true },
    { kind: 'try', device: 'Echo', bank: 'One', number: 2, label: '', display: 'B4', program: 11 },
  ]

  it.each(tasks)('$kind says what to do, what to look for and what else to try', (task) => {
    const { does, look, otherwise } = taskText(task)
    for (const text of [does, look, otherwise]) expect(text).toMatch(/^[A-Z].{5,}/)
  })

  it('calls a switch without a label by its number', () => {
    expect(taskText(tasks[2]!).does).toBe('Step on switch 2 (One, switch 2)')
  })
})

it('no kind of box has a name that is too long for its box on the map', () => {
  for (const { fields } of [...CONTROLLERS, ...DEVICES]) expect(fields.name.length).toBeLessThan(36)
})
