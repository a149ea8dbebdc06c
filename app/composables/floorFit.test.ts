import { describe, expect, it } from 'vitest'
import { floorForm, floorHeight, raisedForm, underHeight } from './floorFit'

const DEMO = { rows: 2, pedals: 2 }
const form = (width: number, height: number, { rows, pedals } = DEMO) =>
  floorForm({ width, height }, rows, pedals)

describe('the form of the floor under the view', () => {
  it('is whole on a laptop, a small one and an upright tablet', () => {
    expect([form(1280, 800), form(1024, 768), form(768, 1024), form(1920, 1080)]).toEqual(
      Array(4).fill('roomy'),
    )
  })

  it('is a line at 200 % and on a phone held sideways', () => {
    // 1280x800 at 200 % is 640x400 (WCAG 2.2, 1.4.4 and 1.4.10 reckon in CSS px).
    for (const [width, height] of [
      [640, 400],
      [667, 375],
      [844, 390],
      [932, 430],
      [512, 384],
    ] as const)
      expect(form(width, height)).toBe('line')
  })

  it('stands above the view on an upright phone, whose page scrolls', () => {
    expect(form(390, 844)).toBe('roomy')
    expect(form(320, 568, { rows: 6, pedals: 4 })).toBe('roomy')
  })

  it('takes names of one line before it folds', () => {
    expect(form(1280, 520)).toBe('tight')
    expect(form(1280, 800, { rows: 6, pedals: 3 })).toBe('tight')
    expect(form(1280, 590, { rows: 7, pedals: 3 })).toBe('line')
  })

  it('leaves the view three fifths of any window wider than a phone (half with tight rows in a high one), or folds', () => {
    for (let height = 300; height < 1300; height += 7)
      for (const width of [621, 801, 901, 1400])
        for (let rows = 1; rows <= 7; rows++)
          for (const pedals of [0, 1, 5]) {
            const one = floorForm({ width, height }, rows, pedals)
            if (one === 'line') continue
            expect(height - floorHeight(one, rows, pedals)).toBeGreaterThanOrEqual(
              (one === 'roomy' || height < 600 ? 0.6 : 0.5) * height,
            )
          }
  })

  it('keeps room for what a lamp that lies says, and raised keeps every switch whole', () => {
    expect(underHeight('roomy', 0)).toBe(24)
    expect(underHeight('roomy', 1)).toBe(48)
    expect(raisedForm({ height: 800 }, 2, 2)).toBe('roomy')
    expect(raisedForm({ height: 800 }, 6, 2)).toBe('tight')
  })
})
