import type { Measure } from '~/platform/fitText'

/** Measures text in a font of the page; by its letters where the browser cannot. `style` is a weight, `family` as in CSS. */
export function measureIn(style: string, family: string): Measure {
  const context = document.createElement('canvas').getContext('2d')
  if (!context) return (text) => 0.62 * [...text].length
  const known = new Map<string, number>()
  return (text) => {
    let width = known.get(text)
    if (width === undefined) {
      context.font = `${style} 100px ${family}`
      known.set(text, (width = context.measureText(text).width / 100))
    }
    return width
  }
}
