import { fieldNow, openRows } from './openPlace'
import { panelShows, type Panel } from './panel'
import { kindsOf, domainOf, fieldName, setterOf, valueText, type Row, type RowShape } from './rows'
import { rowText } from './showing'
import { choiceDomain, type Box } from './ways'

/** What is seen of a front panel. */
export interface PanelView {
  /** The display: what is at hand while something is open, else the bank or what is being chosen. */
  readonly display: string
  readonly doing: 'play' | 'way' | 'open' | 'keys'
  /** The rows of what is open, the one at hand marked. */
  readonly rows: readonly { readonly at: string; readonly text: string; readonly isHere: boolean }[]
  /** What the field at hand is called; empty when none is. */
  readonly field: string
  /** What can be pointed at, and under which name, where the field at hand is set so. */
  readonly picks: readonly { readonly at: string; readonly text: string }[]
}

/** The front panel as its player sees it. */
export function panelView(box: Box, panel: Panel): PanelView {
  const { doing } = panel
  const { shape } = box
  if (doing.kind === 'open') {
    const now = fieldNow(box, doing.open)
    const rows = openRows(box, doing.open)
    const here = rows[doing.open.row]
    const set = now && setterOf(shape, now.field)
    return {
      display: panelShows(box, panel),
      doing: 'open',
      rows: rows.map(({ at, row }, n) => ({ at, text: rowText(shape, row), isHere: n === doing.open.row })),
      field: now ? fieldName(shape, now.field) : '',
      picks: set?.how === 'pick' && here && now ? pickable(shape, here.row, now.field) : [],
    }
  }
  const nothing = { rows: [], field: '', picks: [] }
  if (doing.kind === 'keys') return { display: '', doing: 'keys', ...nothing }
  if (doing.kind === 'way') {
    const moves =
      doing.to === 'switch'
        ? shape.keying.toSwitch
        : doing.to === 'kept'
          ? shape.keying.toKept
          : (shape.keying.copy?.choose ?? [])
    const move = moves[doing.at]
    const text =
      move?.do === 'choose'
        ? `${CHOSEN[move.what]} ${doing.chosen[move.what] + choiceDomain(box, move.what, doing.chosen.list).first}`
        : ''
    return { display: cut(shape, text), doing: 'way', ...nothing }
  }
  return {
    display: cut(shape, `${panel.chosen.bank + shape.controller.firstBank}`),
    doing: 'play',
    ...nothing,
  }
}

const CHOSEN = { bank: 'Bank', layer: 'Layer', place: 'Switch', list: 'List', count: 'No.' } as const

const cut = ({ keying }: RowShape, text: string): string =>
  Array.from(text).slice(-keying.display.width).join('')

function pickable(shape: RowShape, [kind]: Row, field: Parameters<typeof domainOf>[2]): PanelView['picks'] {
  const { size } = domainOf(shape, kind, field)
  const count = field === 'kind' ? kindsOf(shape).length : size
  return Array.from({ length: count }, (_, n) => ({
    at: `value:${n}`,
    text: valueText(shape, kind, field, n),
  }))
}
