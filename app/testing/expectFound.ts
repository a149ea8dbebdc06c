import { expect } from 'vitest'
import { fits, type Found } from './found'
import { until } from './patience'

type Text = string | RegExp

declare module 'vitest' {
  interface Matchers<T> {
    toBeVisible: () => Promise<T>
    toBeHidden: () => Promise<T>
    toHaveCount: (count: number) => Promise<T>
    /** All it says, to the letter, or by a pattern; of several things each. */
    toHaveText: (text: Text | readonly Text[]) => Promise<T>
    toContainText: (text: Text) => Promise<T>
    toHaveValue: (value: Text) => Promise<T>
    toHaveAttribute: (name: string, value: Text) => Promise<T>
    toBeChecked: () => Promise<T>
    toBeDisabled: () => Promise<T>
    toBeEnabled: () => Promise<T>
    toBeFocused: () => Promise<T>
  }
}

const isOff = (one: HTMLElement) => one.matches(':disabled') || one.getAttribute('aria-disabled') === 'true'
const isTicked = (one: HTMLElement) =>
  (one as HTMLInputElement).checked === true || one.getAttribute('aria-checked') === 'true'

/** Waits until what is said of the one thing there comes true; or, said not to be, until it is so no more. */
const ofOne = <Wanted extends readonly unknown[]>(
  what: string,
  isSo: (one: HTMLElement, ...wanted: Wanted) => boolean,
  shown: (one: HTMLElement) => unknown = (one) => one.outerHTML.slice(0, 300),
) =>
  async function (this: { isNot: boolean }, found: Found, ...wanted: Wanted) {
    const pass = await until(
      () => {
        const one = found.one()
        return one === null ? null : isSo(one, ...wanted)
      },
      (is) => is === !this.isNot,
    )
    return {
      // What is not there neither is so nor is not.
      pass: pass === null ? this.isNot : pass,
      message: () => {
        const one = found.one()
        return `${found.said}: ${this.isNot ? 'must not' : 'must'} ${what} ${wanted.join(' ')}; ${one ? `it is ${shown(one)}` : 'it is not there'}`
      },
    }
  }

const counted = (what: string, isSo: (count: number, wanted: number) => boolean) =>
  async function (this: { isNot: boolean }, found: Found, wanted = 0) {
    const pass = await until(
      () => isSo(found.all().length, wanted),
      (is) => is === !this.isNot,
    )
    return { pass, message: () => `${found.said}: ${what} ${wanted}, there are ${found.all().length}` }
  }

const textOf = (one: HTMLElement) => one.textContent

/** Vitest's own, which also waits for what is said of things found on the page. */
export { expect as expectFound }

expect.extend({
  toBeVisible: ofOne('be there', () => true),
  toBeHidden: counted('be hidden', (count) => count === 0),
  toHaveCount: counted('be as many as', (count, wanted) => count === wanted),
  async toHaveText(this: { isNot: boolean }, found: Found, wanted: Text | readonly Text[]) {
    const texts = Array.isArray(wanted) ? (wanted as readonly Text[]) : [wanted as Text]
    const pass = await until(
      () => {
        const all = found.all()
        return (
          all.length === texts.length &&
          texts.every((text, index) => fits(all[index]!.textContent, text, true))
        )
      },
      (is) => is === !this.isNot,
    )
    return {
      pass,
      message: () =>
        `${found.said}: must say ${texts.join(' | ')}, says ${found
          .all()
          .map((one) => one.textContent)
          .join(' | ')}`,
    }
  },
  toContainText: ofOne('say', (one, text: Text) => fits(one.textContent, text), textOf),
  toHaveValue: ofOne(
    'hold',
    (one, value: Text) => fits((one as HTMLInputElement).value, value, true),
    (one) => (one as HTMLInputElement).value,
  ),
  toHaveAttribute: ofOne(
    'have',
    (one, name: string, value: Text) => one.hasAttribute(name) && fits(one.getAttribute(name), value, true),
  ),
  toBeChecked: ofOne('be ticked', isTicked),
  toBeDisabled: ofOne('be switched off', isOff),
  toBeEnabled: ofOne('be switched on', (one) => !isOff(one)),
  toBeFocused: ofOne(
    'have the focus',
    (one) => one === document.activeElement,
    () => document.activeElement?.outerHTML.slice(0, 200),
  ),
})
