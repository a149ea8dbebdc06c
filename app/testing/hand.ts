import { userEvent } from '@testing-library/user-event'
import type { Found } from './found'
import { pause, turn, until } from './patience'

export type Modifier = 'Control' | 'Shift' | 'Alt' | 'Meta'

let tool = userEvent.setup({ delay: null, pointerEventsCheck: 0 })

/** Nothing is held down any more. */
export function newHand(): void {
  tool = userEvent.setup({ delay: null, pointerEventsCheck: 0 })
}

/** The one thing there, once it is there and not switched off. */
async function hold(found: Found): Promise<HTMLElement> {
  const one = await until(
    () => found.one(),
    (there) => there !== null && !there.matches(':disabled'),
  )
  if (!one) throw new Error(`${found.said} is not there`)
  if (one.matches(':disabled')) throw new Error(`${found.said} is switched off`)
  return one
}

/** A key as the keyboard tool writes it; `more` is ">" where it is held down. */
function brace(key: string, more = ''): string {
  if (key === ' ' || key === 'Space') return `[Space${more}]`
  if (more === '') return key.length === 1 ? key.replace(/[{[]/, '$&$&') : `{${key}}`
  return `{${key}${more}}`
}

/** A stroke as the keyboard tool writes it, from "Shift+ArrowDown" or "a". */
function stroke(keys: string): string {
  const parts = keys.length === 1 ? [keys] : keys.split(/\+(?=.)/)
  const held = parts.slice(0, -1)
  return [
    ...held.map((key) => `{${key}>}`),
    brace(parts.at(-1)!),
    ...held.toReversed().map((key) => `{/${key}}`),
  ].join('')
}

/** The keys under a player's hand, wherever the focus is. */
export const keyboard = {
  /** Down and up again, a single one `delay` ms later on the page. */
  press: async (keys: string, { delay = 60 }: { readonly delay?: number } = {}) => {
    if (keys.length > 1 || keys === '/') await tool.keyboard(stroke(keys))
    else {
      await keyboard.down(keys)
      await pause(delay)
      await keyboard.up(keys)
    }
    await turn()
  },
  type: async (text: string) => {
    await tool.keyboard([...text].map((key) => brace(key)).join(''))
    await turn()
  },
  down: async (key: string) => {
    await tool.keyboard(brace(key, '>'))
    await turn()
  },
  up: async (key: string) => {
    await tool.keyboard(`{/${key}}`)
    await turn()
  },
}

export async function click(found: Found, modifiers: readonly Modifier[] = [], times = 1): Promise<void> {
  const one = await hold(found)
  for (const key of modifiers) await tool.keyboard(`{${key}>}`)
  await (times === 2 ? tool.dblClick(one) : tool.click(one))
  for (const key of modifiers) await tool.keyboard(`{/${key}}`)
  await turn()
}

export async function focus(found: Found): Promise<void> {
  const one = await hold(found)
  one.focus()
  await turn()
}

export async function blur(found: Found): Promise<void> {
  const one = await hold(found)
  one.blur()
  await turn()
}

/** A browser says that a field has changed once it is left, or with Enter. */
function tellWhenLeft(field: HTMLElement): void {
  const tell = () => {
    field.removeEventListener('blur', tell, true)
    field.removeEventListener('keydown', onKey)
    field.dispatchEvent(new Event('change', { bubbles: true }))
  }
  const onKey = ({ key }: KeyboardEvent) => {
    if (key === 'Enter') queueMicrotask(tell)
  }
  field.addEventListener('blur', tell, true)
  field.addEventListener('keydown', onKey)
}

/** Writes over what is there, as one stroke. */
export async function fill(found: Found, text: string): Promise<void> {
  const one = (await hold(found)) as HTMLInputElement | HTMLTextAreaElement
  one.focus()
  one.value = text
  one.dispatchEvent(new Event('input', { bubbles: true }))
  tellWhenLeft(one)
  await turn()
}

export async function press(found: Found, keys: string): Promise<void> {
  await focus(found)
  await keyboard.press(keys)
}

export async function choose(found: Found, option: string): Promise<void> {
  const one = (await hold(found)) as HTMLSelectElement
  const wanted = [...one.options].find(({ value, text }) => value === option || text.trim() === option)
  if (!wanted) throw new Error(`${found.said} has no "${option}"`)
  await tool.selectOptions(one, wanted)
  await turn()
}

/** Ticks it, or takes the tick away, where it is not so already. */
export async function setTick(found: Found, isOn: boolean): Promise<void> {
  const one = (await hold(found)) as HTMLInputElement
  if (one.checked === isOn) return
  await tool.click(one)
  await turn()
  if (((await hold(found)) as HTMLInputElement).checked !== isOn)
    throw new Error(`${found.said} did not turn ${isOn ? 'on' : 'off'}`)
}
