import { own } from '#core/base'
import { byIndex, type Rig, type ActionOf, type BankId } from '#core/rig'
import type { Known } from '../known'
import { onlyNumber, take, without, type PhraseReading } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

export const travel: ActionDoes<ActionOf<'travel'>> = {
  starts: () => ({ kind: 'travel', to: 'next', bankId: null }),
  asks: () => ['place'],
  steps: (rig, action, { known }) => {
    const bankId = destination(rig, action, known)
    if (bankId === null || bankId === known.bankId || known.bankId === null) return []
    const back = action.to === 'back' ? known.back.slice(0, -1) : [...known.back, known.bankId].slice(-16)
    return [{ kind: 'know', learned: { bankId, back } }]
  },
  isLit: (_, { to, bankId }, known) => (to === 'bank' ? known.bankId === bankId : null),
  rows: (rig, { to, bankId }) => {
    const index = to === 'bank' ? own(rig.banks, bankId ?? '')?.index : 0
    return index === undefined ? null : [['bank', PANEL_WHERE.indexOf(to), index]]
  },
  litBy: 'place',
  isAlike: ({ to }) => to !== 'back',
  brings: (rig, action, foot) => {
    const bankId = destination(rig, action, foot)
    return bankId === null ? {} : { bankId }
  },
  leads: ({ to }) => (to === 'back' ? 'back' : 'bank'),
  reads: (rig, { words, controllerId }) => {
    const of = (to: ActionOf<'travel'>['to'], bankId: BankId | null = null, sureness = 5): PhraseReading => ({
      action: { kind: 'travel', to, bankId },
      sureness,
    })
    const said = without(words, 'bank')
    const rest = said ?? words
    const plain = (['next', 'previous', 'back', 'home', 'page'] as const).filter(
      (to) => without(rest, to)?.length === 0 && (said !== null || (to !== 'next' && to !== 'previous')),
    )
    const banks = byIndex(rig.banks).filter((bank) => bank.controllerId === controllerId)
    const first = own(rig.controllers, controllerId ?? '')?.firstBank ?? 1
    const number = onlyNumber(rest)
    return [
      ...plain.map((to) => of(to)),
      ...banks.flatMap((bank) => {
        const { left, fit } = take(rest, bank.name)
        const isNumber = said !== null && number === bank.index + first
        return isNumber || (fit > 0 && left.length === 0)
          ? [of('bank', bank.id, isNumber ? 6 : fit + (said ? 3 : 0))]
          : []
      }),
    ]
  },
}

/** The bank it leads to; null where there is none. */
function destination(
  rig: Rig,
  { to, bankId }: ActionOf<'travel'>,
  known: Pick<Known, 'bankId' | 'back'>,
): BankId | null {
  const here = own(rig.banks, known.bankId ?? '')
  if (!here) return null
  const ours = byIndex(rig.banks).filter(({ controllerId }) => controllerId === here.controllerId)
  switch (to) {
    case 'bank':
      return bankId !== null && own(rig.banks, bankId) ? bankId : null
    case 'back':
      return known.back.findLast((id) => own(rig.banks, id)) ?? null
    case 'home':
      return own(rig.controllers, here.controllerId)?.home ?? ours[0]!.id
    case 'page': {
      const first = here.pageOf ?? here.id
      const pages = ours.filter(({ id, pageOf }) => id === first || pageOf === first)
      return pages.length < 2 ? null : pages.at((pages.indexOf(here) + 1) % pages.length)!.id
    }
    default:
      return ours.at((ours.indexOf(here) + (to === 'next' ? 1 : -1)) % ours.length)!.id
  }
}

/** In the order of a panel's row. */
export const PANEL_WHERE = ['next', 'previous', 'bank', 'back', 'home', 'page'] as const
