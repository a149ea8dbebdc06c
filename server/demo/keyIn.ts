import { own } from '#core/base'
import { boardOf, keepHeard, sayAllKeyedIn, tickLine, untick, type Content } from '#core/keyin'
import type { Edit, KeyInId, Rig } from '#core/rig'

/** Numbers of banks that are in the controller so far, from 0: the first was stepped through and heard, the others ticked. */
const HEARD = 0
const TICKED = 3

function said(rig: Rig, at: string, revision: number) {
  let made = Object.keys(rig.keyIns).length
  return { revision, at, newId: () => `key-in-${++made}` as KeyInId }
}

const bankOf = (key: string): number => (key.startsWith('s/') ? Number(key.split('/')[1]) : -1)

/** The board as it stood after an evening: half of it keyed in, the first bank verified, and a switch that was changed since. */
export const keyInSteps: readonly {
  readonly at: string
  readonly make: (rig: Rig, revision: number) => Edit | null
}[] = [
  {
    at: '2026-11-19T19:10:00.000Z',
    make: (rig, revision) => {
      const controller = own(rig.controllers, 'controller')
      return controller
        ? sayAllKeyedIn(
            rig,
            controller,
            said(rig, '2026-11-19T19:10:00.000Z', revision),
            (key) => bankOf(key) <= TICKED,
          )
        : null
    },
  },
  {
    at: '2026-11-20T18:25:00.000Z',
    make: (rig, revision) => {
      const controller = own(rig.controllers, 'controller')
      if (!controller) return null
      const heard = boardOf(rig, controller).filter(({ key }) => bankOf(key) === HEARD)
      return keepHeard(
        rig,
        controller,
        heard.map(({ key, content }) => [key, content]),
        said(rig, '2026-11-20T18:25:00.000Z', revision),
      )
    },
  },
  // What was ticked last is where the controller stands.
  {
    at: '2026-11-20T18:50:00.000Z',
    make: (rig, revision) => {
      const controller = own(rig.controllers, 'controller')
      const last = controller && boardOf(rig, controller).findLast(({ key }) => bankOf(key) === TICKED)
      return controller && last
        ? tickLine(
            rig,
            controller,
            { key: last.key, wanted: last.content },
            said(rig, '2026-11-20T18:50:00.000Z', revision),
          )
        : null
    },
  },
  // A control of one switch was another value then.
  {
    at: '2026-11-19T19:12:00.000Z',
    make: (rig, revision) => {
      const controller = own(rig.controllers, 'controller')
      const unit =
        controller &&
        boardOf(rig, controller).find(({ key, content }) => bankOf(key) === 1 && rowsOf(content) > 1)
      if (!controller || !unit) return null
      const [first, ...lists] = unit.content.lists
      const before: Content = {
        ...unit.content,
        lists: [{ ...first!, rows: first!.rows.slice(0, -1) }, ...lists],
      }
      return tickLine(
        rig,
        controller,
        { key: unit.key, wanted: before },
        said(rig, '2026-11-19T19:12:00.000Z', revision),
      )
    },
  },
  // And of one place nobody is sure any more.
  {
    at: '2026-11-20T18:40:00.000Z',
    make: (rig, revision) => {
      const controller = own(rig.controllers, 'controller')
      const unit = controller && boardOf(rig, controller).findLast(({ key }) => bankOf(key) === 2)
      return controller && unit
        ? untick(rig, controller, unit.key, said(rig, '2026-11-20T18:40:00.000Z', revision))
        : null
    },
  },
]

const rowsOf = ({ lists }: Content): number => lists[0]?.rows.length ?? 0
