import type { BankSelect, Numbering } from '#core/rig'

type Banked = Extract<Numbering, { style: 'banked' }>
type Counter = Banked['bank']

export const BANK_SELECT_TEXT: readonly { value: BankSelect; text: string }[] = [
  { value: 'none', text: 'None' },
  { value: 'both', text: 'CC 0 and 32' },
  { value: 'msb', text: 'CC 0 only' },
  { value: 'lsb', text: 'CC 32 only' },
]

/** What the list calls a separator: the list's own "nothing chosen" is the empty text. */
type SeparatorKey = Exclude<Banked['separator'], ''> | 'nothing'

export const separatorKey = (separator: Banked['separator']): SeparatorKey => separator || 'nothing'

/** Inverse of {@link separatorKey}. */
export const separatorOf = (key: SeparatorKey): Banked['separator'] => (key === 'nothing' ? '' : key)

export const SEPARATORS: readonly { value: SeparatorKey; text: string }[] = [
  { value: 'nothing', text: 'Nothing' },
  { value: '-', text: 'Dash' },
  { value: '.', text: 'Point' },
  { value: ':', text: 'Colon' },
  { value: ' ', text: 'Space' },
]

type CounterKey = 'letters' | 'digits0' | 'digits1'

export const COUNTER_CHOICES: readonly { value: CounterKey; text: string }[] = [
  { value: 'letters', text: 'A, B, C' },
  { value: 'digits1', text: '1, 2, 3' },
  { value: 'digits0', text: '0, 1, 2' },
]

export const counterKey = (counter: Counter): CounterKey =>
  counter.symbols === 'letters' ? 'letters' : counter.first === 0 ? 'digits0' : 'digits1'

/** Inverse of {@link counterKey}. */
export const counterOf = (key: CounterKey): Counter =>
  key === 'letters' ? { symbols: 'letters' } : { symbols: 'digits', first: key === 'digits0' ? 0 : 1 }

/** The same presets, sent the same way, shown in the other style. */
export function withStyle(numbering: Numbering, style: Numbering['style']): Numbering {
  const { count, bankSelect, programsPerBank } = numbering
  const sent = { count, bankSelect, programsPerBank }
  if (style === numbering.style) return numbering
  return style === 'plain'
    ? { style, ...sent, first: 1, digits: 1 }
    : {
        style,
        ...sent,
        bank: { symbols: 'letters' },
        slot: { symbols: 'digits', first: 1 },
        slots: 8,
        separator: '',
      }
}
