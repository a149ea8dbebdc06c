import { describe, expect, it } from 'vitest'
import { fitText } from './fitText'

/** Every letter 0.6 of the size. */
const measure = (text: string) => 0.6 * [...text].length
const fit = (text: string, width: number, height: number, most = 200) =>
  fitText(text, width, height, most, measure)

describe('text that fills its box', () => {
  it('is as large as there is room, and smaller the more there is of it', () => {
    expect(fit('On', 200, 100, 90)).toBe(90)
    const sizes = ['On', 'Lantern', 'Lantern pad', 'Storm, an octave down'].map((text) => fit(text, 200, 100))
    expect(sizes).toEqual(sizes.toSorted((a, b) => b - a))
    expect(fit('Lantern pad', 400, 200)).toBeGreaterThan(1.8 * fit('Lantern pad', 200, 100))
  })

  it('breaks no word where a smaller size has room for it, and one that would be too small', () => {
    // Seven letters at 0.6 of the size: 200 px have room for 47 px.
    expect(fit('Lantern', 200, 300)).toBe(47)
    expect(fit('x'.repeat(400), 60, 40, 100)).toBe(6)
    expect(fit('', 100, 100, 50)).toBe(50)
  })

  it('breaks a long word only where it would be too small whole, and then counts the lines it takes', () => {
    for (const [text, width, height] of [
      ['Harbourmasterwithoutaspace', 120, 200],
      ['Unbrokenlettersofanamethatgoeson', 39, 260],
      ['Unbrokenlettersofanamethatgoeson', 65, 290],
      ['Entr’acte walk', 39, 260],
    ] as const) {
      const size = fit(text, width, height, 100)
      expect(size).toBeGreaterThanOrEqual(6)
      // Letters put in one by one, a word that has no room left begins a line.
      let [lines, left] = [1, width]
      for (const word of text.split(' ')) {
        if (left < width && measure(` ${word}`) * size > left) [lines, left] = [lines + 1, width]
        else if (left < width) left -= measure(' ') * size
        for (const letter of word) {
          const wide = measure(letter) * size
          if (wide > left) [lines, left] = [lines + 1, width]
          left -= wide
        }
      }
      expect([text, lines * 1.08 * size <= height + 1e-9]).toEqual([text, true])
    }
    // Nine letters whole at 9 px or more stay whole.
    expect(fit('Entr’acte', 50, 200, 100)).toBe(9)
  })

  it('never takes more lines than there is height for: words put in one by one', () => {
    const texts = ['Storm, an octave down', 'a b c d e f g h', 'Swell, doubled', 'Gale, all hands and lamps']
    for (const text of texts)
      for (const [width, height] of [
        [60, 90],
        [120, 60],
        [240, 240],
      ] as const) {
        const size = fit(text, width, height)
        let [lines, line] = [1, '']
        for (const word of text.split(' ')) {
          const longer = line === '' ? word : `${line} ${word}`
          if (line !== '' && measure(longer) * size > width) {
            lines++
            line = word
          } else line = longer
        }
        if (size > 10) expect(lines * 1.08 * size).toBeLessThanOrEqual(height + 1e-9)
      }
  })
})
