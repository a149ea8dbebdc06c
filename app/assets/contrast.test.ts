import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

/**
 * Contrast of the colours in both themes, by the formula of WCAG 2.2 (relative luminance and contrast ratio, in its glossary):
 * text 4.5 to 1 (1.4.3), signs, edges and focus 3 to 1 (1.4.11).
 */
const css = readFileSync(new URL('./tokens.css', import.meta.url), 'utf8')
const tokensOf = (block: string): Record<string, string> =>
  Object.fromEntries(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, colour]) => [name!, colour!]),
  )
const [light = '', dark = ''] = css.split(":root[data-theme='stage']")
const THEMES = { light: tokensOf(light), stage: { ...tokensOf(light), ...tokensOf(dark) } }

const luminance = (colour: string): number => {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const one = parseInt(colour.slice(at, at + 2), 16) / 255
    return one <= 0.04045 ? one / 12.92 : ((one + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!
}
const contrast = (a: string, b: string): number => {
  const [low, high] = [luminance(a), luminance(b)].toSorted((x, y) => x - y)
  return (high! + 0.05) / (low! + 0.05)
}

/** Text, and what it is read on. */
const TEXT: readonly (readonly [text: string, ...grounds: string[]])[] = [
  ['ink', 'ground', 'sheet', 'hover', 'error-ground', 'warning-ground', 'hint-ground'],
  ['ink-soft', 'ground', 'sheet', 'hover'],
  ['ink-faint', 'ground', 'sheet'],
  ['link', 'ground', 'sheet', 'error-ground', 'warning-ground'],
  ['error', 'ground', 'sheet', 'error-ground'],
  ['warning', 'ground', 'sheet', 'warning-ground'],
  ['hint', 'ground', 'sheet', 'hint-ground'],
  ['good', 'ground', 'sheet'],
  ['on-chosen', 'chosen'],
  ['tape-ink', 'tape'],
  ['dock-ink', 'dock', 'dock-sheet'],
  ['dock-soft', 'dock', 'dock-sheet'],
  ['dock-fault', 'dock', 'dock-sheet'],
  ['dock-bar-ink', 'dock-program', 'dock-control', 'dock-clock', 'dock-exclusive'],
  ['program', 'sheet'],
  ['control', 'sheet'],
  ['clock', 'sheet'],
  ['exclusive', 'sheet'],
]
/** Edges of what is worked with, and the focus. */
const SIGNS: readonly (readonly [sign: string, ...grounds: string[]])[] = [
  ['focus', 'ground', 'sheet', 'hover'],
  ['tape', 'dock', 'dock-sheet'],
]
/** Seen beside words and never instead of them. */
const BESIDE = ['line', 'line-strong', 'tape-edge', 'dock-line']

const below = (theme: Record<string, string>, pairs: typeof TEXT, least: number) =>
  pairs.flatMap(([over, ...grounds]) =>
    grounds.flatMap((ground) => {
      const ratio = contrast(theme[over]!, theme[ground]!)
      return ratio < least ? [`${over} on ${ground} ${ratio.toFixed(2)}`] : []
    }),
  )

describe.each(Object.entries(THEMES))('in the %s theme', (_, theme) => {
  it('all text can be read', () => {
    expect(below(theme, TEXT, 4.5)).toEqual([])
  })

  it('the focus can be seen', () => {
    expect(below(theme, SIGNS, 3)).toEqual([])
  })
})

it('every colour is looked at', () => {
  const looked = new Set([...TEXT.flat(), ...SIGNS.flat(), ...BESIDE])
  expect(Object.keys(THEMES.stage).filter((name) => !looked.has(name))).toEqual([])
})

it('the formula gives the known ratios', () => {
  // Black on white 21 to 1; #767676 is the lightest grey that passes on white (both common check values for WCAG, from memory).
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9)
  expect(contrast('#767676', '#ffffff')).toBeGreaterThan(4.5)
  expect(contrast('#777777', '#ffffff')).toBeLessThan(4.5)
})
