import { configure, isInaccessible, queryAllByLabelText, queryAllByRole } from '@testing-library/dom'
import type { ByRoleOptions } from '@testing-library/dom'
import { blur, choose, click, fill, focus, press, setTick, type Modifier } from './hand'

// Whether a thing is hidden is asked of what was found, not of all that is looked through.
configure({ defaultHidden: true })

type Text = string | RegExp

const plain = (text: string | null | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim()

/** Text that holds what is asked for, in any case, or is it to the letter. */
export function fits(text: string | null | undefined, wanted: Text, exact = false): boolean {
  const said = plain(text)
  if (wanted instanceof RegExp) return wanted.test(said)
  return exact ? said === plain(wanted) : said.toLowerCase().includes(plain(wanted).toLowerCase())
}

interface RoleOptions extends Omit<ByRoleOptions, 'name' | 'description'> {
  readonly name?: Text
  readonly exact?: boolean
}

/** What a reader finds on the page, looked for anew whenever it is asked for: by its role and name, its label or its words. */
export class Found {
  constructor(
    private readonly look: () => readonly HTMLElement[],
    readonly said: string,
  ) {}

  /** All that is there and not hidden. */
  all = (): readonly HTMLElement[] => this.look().filter((one) => one.isConnected && !isInaccessible(one))

  private within(said: string, inside: (root: HTMLElement) => readonly HTMLElement[]): Found {
    return new Found(() => [...new Set(this.look().flatMap(inside))], `${this.said} > ${said}`)
  }

  getByRole(role: string, { name, exact, ...more }: RoleOptions = {}): Found {
    return this.within(`${role} ${name ?? ''}`, (root) =>
      queryAllByRole(root, role, {
        ...more,
        hidden: true,
        ...(name !== undefined && { name: (text: string) => fits(text, name, exact) }),
      }),
    )
  }

  getByLabel(label: Text, { exact }: { readonly exact?: boolean } = {}): Found {
    return this.within(`labelled ${label}`, (root) =>
      queryAllByLabelText(root, (text) => fits(text, label, exact)),
    )
  }

  /** The innermost things that say so. */
  getByText(text: Text, { exact }: { readonly exact?: boolean } = {}): Found {
    const says = (one: Element) => fits(one.textContent, text, exact)
    return this.within(`"${text}"`, (root) =>
      [...root.querySelectorAll<HTMLElement>('*')].filter(
        (one) => says(one) && !one.matches('script, style') && ![...one.children].some(says),
      ),
    )
  }

  getByPlaceholder(text: Text): Found {
    return this.within(`with ${text} in it`, (root) =>
      [...root.querySelectorAll<HTMLElement>('[placeholder]')].filter((one) =>
        fits(one.getAttribute('placeholder'), text),
      ),
    )
  }

  locator(selector: string): Found {
    return this.within(selector, (root) => [...root.querySelectorAll<HTMLElement>(selector)])
  }

  filter({ hasText, has }: { readonly hasText?: Text; readonly has?: Found }): Found {
    return new Found(
      () =>
        this.look().filter(
          (one) =>
            (hasText === undefined || fits(one.textContent, hasText)) &&
            (!has || has.look().some((other) => one !== other && one.contains(other))),
        ),
      `${this.said} with ${hasText ?? has?.said}`,
    )
  }

  /** What either finds. */
  or = (other: Found): Found =>
    new Found(() => [...this.look(), ...other.look()], `${this.said} or ${other.said}`)

  first = (): Found => this.nth(0)
  last = (): Found => this.nth(-1)
  nth = (index: number): Found =>
    new Found(() => [this.all().at(index)].filter((one) => one !== undefined), `${this.said} #${index}`)

  /** The only thing there is, or null; an error where there are several. */
  one(): HTMLElement | null {
    const all = this.all()
    if (all.length > 1)
      throw new Error(
        `${all.length} of ${this.said}:\n${all.map((one) => one.outerHTML.slice(0, 160)).join('\n')}`,
      )
    return all[0] ?? null
  }

  /** How many there are now. */
  count = (): number => this.all().length
  /** What the one that is there says now; nothing where there is none. */
  text = (): string => plain(this.one()?.textContent)

  click = ({ modifiers = [] }: { readonly modifiers?: readonly Modifier[] } = {}) => click(this, modifiers)
  dblclick = () => click(this, [], 2)
  focus = () => focus(this)
  blur = () => blur(this)
  fill = (text: string) => fill(this, text)
  press = (keys: string) => press(this, keys)
  check = () => setTick(this, true)
  uncheck = () => setTick(this, false)
  /** By its value, or by what is read. */
  selectOption = (option: string) => choose(this, option)
}
