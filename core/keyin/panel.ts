import { assertNever } from '#core/base'
import { LAYERS, type PanelMove } from '#core/rig'
import { KEPT_LISTS, emptyAt, placeName, type Place } from './keyPlaces'
import type { Content } from './content'
import { NO_ENTRY, turned, type Entry } from './entering'
import { contentOf, fieldNow, inOpen, opened, rowAt, type Open } from './openPlace'
import type { Press } from './setting'
import { shownText } from './showing'
import { choiceDomain, choicesOf, NOWHERE, opens, switchKey, type Box, type Choices } from './ways'

/** A simulated front panel: what the controller holds, and where its player is in it. Written on its own: no sheet is asked. */
export interface Panel {
  /** What it holds, by the name of the place; nothing was keyed into a place that is not there. */
  readonly stored: ReadonlyMap<string, Content>
  /** What waits to be sent, where all is sent at the end. */
  readonly drafts: ReadonlyMap<string, Content>
  /** The bank and layer it plays in. */
  readonly chosen: Choices
  readonly doing: Doing
  /** Presses so far. */
  readonly presses: number
}

type Doing =
  | { readonly kind: 'play' }
  | {
      readonly kind: 'way'
      readonly to: 'switch' | 'kept' | 'copy'
      readonly at: number
      readonly chosen: Choices
      readonly entry: Entry
      /** Whose copy it will be, or who will be a copy. */
      readonly open: Open | null
    }
  | { readonly kind: 'open'; readonly open: Open }
  /** Keys of several presses, of which some are done. */
  | {
      readonly kind: 'keys'
      readonly for: 'save' | 'clear' | 'cancel' | 'copy'
      readonly done: number
      readonly open: Open | null
    }

/** A front panel with nothing open; `stored`: what its places hold, by their keys. */
export const startPanel = (stored: ReadonlyMap<string, Content> = new Map()): Panel => ({
  stored,
  drafts: new Map(),
  chosen: NOWHERE,
  doing: { kind: 'play' },
  presses: 0,
})

/** One press. A key that means nothing there does nothing; it is a press all the same. */
export function pressPanel(box: Box, panel: Panel, press: Press): Panel {
  const counted = { ...panel, presses: panel.presses + 1 }
  return answered(box, counted, press) ?? counted
}

function answered(box: Box, panel: Panel, press: Press): Panel | null {
  const { keying } = box.shape
  const { doing } = panel
  switch (doing.kind) {
    case 'play':
      return begun(box, panel, press)
    case 'way':
      // On the way to a switch it still plays: another way can be begun.
      return onWay(box, panel, doing, press) ?? (doing.to === 'copy' ? null : begun(box, panel, press))
    case 'keys':
      return keysOn(box, panel, doing, press)
    case 'open': {
      // A key of its own first, then what is at hand.
      const { save } = keying
      const own = keysOn(box, panel, { kind: 'keys', for: 'save', done: 0, open: doing.open }, press)
      if (own) return own
      const moved = inOpen(box, doing.open, press)
      if (moved) return { ...panel, doing: { kind: 'open', open: moved } }
      // Where all is sent at the end, another place is opened straight away.
      return save.when === 'end' ? begun(box, keptDraft(box, panel, doing.open), press) : null
    }
    default:
      return assertNever(doing)
  }
}

/** Whether a press is the one asked for: held at least as long. */
const isPress = (press: Press, asked: { readonly key: string; readonly holdMs: number }): boolean =>
  press.key === asked.key && press.runs === undefined && (press.holdMs ?? 0) >= asked.holdMs

function keysOn(box: Box, panel: Panel, doing: Extract<Doing, { kind: 'keys' }>, press: Press): Panel | null {
  const { keying } = box.shape
  const keysFor = {
    save: keying.save.keys,
    clear: keying.clear,
    cancel: keying.cancel,
    copy: keying.copy?.keys ?? [],
  }
  // Of two that begin with one key the one it is held longest for is meant.
  const all = (['save', 'clear', 'cancel', 'copy'] as const).filter(
    (name) => keysFor[name][0] && isPress(press, keysFor[name][0]),
  )
  const name =
    doing.done > 0 ? doing.for : all.sort((a, b) => keysFor[b][0]!.holdMs - keysFor[a][0]!.holdMs)[0]
  if (!name) return null
  const keys = keysFor[name]
  if (!isPress(press, keys[doing.done]!))
    return doing.open && { ...panel, doing: { kind: 'open', open: doing.open } }
  if (doing.done + 1 < keys.length) return { ...panel, doing: { ...doing, for: name, done: doing.done + 1 } }
  return done(box, panel, name, doing.open)
}

function done(
  box: Box,
  panel: Panel,
  name: 'save' | 'clear' | 'cancel' | 'copy',
  open: Open | null,
): Panel | null {
  const { keying } = box.shape
  switch (name) {
    case 'save': {
      if (keying.save.when === 'end') {
        const all = open ? keptDraft(box, panel, open) : panel
        return { ...closed(all, open), stored: new Map([...panel.stored, ...all.drafts]), drafts: new Map() }
      }
      if (!open) return null
      const stored = new Map(panel.stored).set(placeName(open.place), contentOf(box, open))
      return { ...closed(panel, open), stored }
    }
    case 'cancel':
      return closed(panel, open)
    case 'clear':
      return (
        open && {
          ...panel,
          doing: { kind: 'open', open: opened(box, open.place, emptyAt(box.shape, open.place)) },
        }
      )
    case 'copy':
      return (
        open && {
          ...panel,
          doing: {
            kind: 'way',
            to: 'copy',
            at: 0,
            chosen: copyStart(keying.copy?.choose ?? [], open.place),
            entry: NO_ENTRY,
            open,
          },
        }
      )
  }
}

/** Back to playing, in the bank of what was open. */
const closed = (panel: Panel, open: Open | null): Panel => ({
  ...panel,
  chosen: open?.place.kind === 'switch' ? choicesOf(open.place) : panel.chosen,
  doing: { kind: 'play' },
})

/** What is copied is looked for from where one is, or from the first. */
function copyStart(moves: readonly PanelMove[], place: Place): Choices {
  const chosen = { ...choicesOf(place) }
  for (const move of moves) if (move.do === 'choose' && move.from === 'start') chosen[move.what] = 0
  return chosen
}

function keptDraft(box: Box, panel: Panel, open: Open): Panel {
  return {
    ...closed(panel, open),
    drafts: new Map(panel.drafts).set(placeName(open.place), contentOf(box, open)),
  }
}

/** The way to a switch or to what is kept, whichever the key belongs to. */
function begun(box: Box, panel: Panel, press: Press): Panel | null {
  const { keying } = box.shape
  for (const to of ['kept', 'switch'] as const) {
    const moves = to === 'switch' ? keying.toSwitch : keying.toKept
    const chosen = { ...NOWHERE }
    for (const move of moves)
      if (move.do === 'choose' && move.from === 'here') chosen[move.what] = panel.chosen[move.what]
    const way = onWay(box, panel, { kind: 'way', to, at: 0, chosen, entry: NO_ENTRY, open: null }, press)
    if (way) return way
  }
  return keying.save.when === 'end'
    ? keysOn(box, panel, { kind: 'keys', for: 'save', done: 0, open: null }, press)
    : null
}

function onWay(box: Box, panel: Panel, way: Extract<Doing, { kind: 'way' }>, press: Press): Panel | null {
  const { keying } = box.shape
  const moves =
    way.to === 'switch' ? keying.toSwitch : way.to === 'kept' ? keying.toKept : (keying.copy?.choose ?? [])
  for (let at = way.at; at < moves.length; at++) {
    const move = moves[at]!
    const after = tried(box, move, at === way.at ? way : { ...way, entry: NO_ENTRY }, press)
    if (after) {
      const next = { ...way, ...after, at: after.isDone ? at + 1 : at }
      if (after.isDone && next.at === moves.length) return arrived(box, panel, next)
      const chosen =
        way.to === 'copy' || move.do === 'press'
          ? panel.chosen
          : { ...panel.chosen, ...hereOf(keying.toSwitch, next.chosen, way.to) }
      return {
        ...panel,
        chosen,
        doing: {
          kind: 'way',
          to: way.to,
          at: next.at,
          chosen: next.chosen,
          entry: next.entry,
          open: way.open,
        },
      }
    }
    // A press that is asked for and not made holds the way up; a choice may stay what it is.
    if (move.do === 'press' || isForced(move)) break
  }
  // Another press leaves the way as it is; from one not yet begun it is none.
  return null
}

/** Banks turned while playing stay turned. */
const hereOf = (moves: readonly PanelMove[], chosen: Choices, to: 'switch' | 'kept'): Partial<Choices> =>
  to !== 'switch'
    ? {}
    : Object.fromEntries(
        moves.flatMap((move) =>
          move.do === 'choose' && move.from === 'here' && !opens(move.what)
            ? [[move.what, chosen[move.what]]]
            : [],
        ),
      )

/** Something that is stepped on or pointed at to open it cannot be left out. */
const isForced = ({ what, set }: Extract<PanelMove, { do: 'choose' }>): boolean =>
  opens(what) && (set.how === 'itself' || set.how === 'pick')

function tried(
  box: Box,
  move: PanelMove,
  { chosen, entry }: { readonly chosen: Choices; readonly entry: Entry },
  press: Press,
): { chosen: Choices; entry: Entry; isDone: boolean } | null {
  if (move.do === 'press') return isPress(press, move) ? { chosen, entry: NO_ENTRY, isDone: true } : null
  const { what, set } = move
  if (set.how === 'itself') {
    const place = box.places.findIndex((one) => switchKey(one) === press.key)
    return place < 0 || (press.holdMs ?? 0) < set.holdMs
      ? null
      : { chosen: { ...chosen, [what]: place }, entry: NO_ENTRY, isDone: true }
  }
  const domain = choiceDomain(box, what, chosen.list)
  const after = turned(set, domain, Math.min(chosen[what], domain.size - 1), entry, press, `${what}:`)
  return (
    after && {
      chosen: { ...chosen, [what]: after.value },
      entry: after.entry,
      isDone: set.how === 'pick' && opens(what),
    }
  )
}

/** The end of a way: a place is open, or a copy of one. */
function arrived(
  box: Box,
  panel: Panel,
  { to, chosen, open }: Extract<Doing, { kind: 'way' }>,
): Panel | null {
  const held = (place: Place): Content =>
    panel.drafts.get(placeName(place)) ?? panel.stored.get(placeName(place)) ?? emptyAt(box.shape, place)
  if (to !== 'copy' || !open) {
    const place = placeAt(box, chosen, to === 'kept')
    return {
      ...panel,
      chosen: place.kind === 'switch' ? choicesOf(place) : panel.chosen,
      doing: { kind: 'open', open: opened(box, place, held(place)) },
    }
  }
  const other = placeAt(box, chosen, false)
  if (box.shape.keying.copy?.way === 'from')
    return { ...panel, doing: { kind: 'open', open: opened(box, open.place, held(other)) } }
  return {
    ...panel,
    chosen: choicesOf(other),
    doing: { kind: 'open', open: opened(box, other, contentOf(box, open)) },
  }
}

function placeAt({ places }: Box, chosen: Choices, isKept: boolean): Place {
  if (isKept) return { kind: 'kept', list: KEPT_LISTS[chosen.list]!, count: chosen.count }
  const { jack, number } = places[chosen.place]!
  const layer = LAYERS[chosen.layer]!
  return { kind: 'switch', bank: chosen.bank, layer, place: chosen.place, jack, number }
}

/** What the display shows; empty while nothing is open. */
export function panelShows(box: Box, { doing }: Panel): string {
  if (doing.kind !== 'open') return ''
  const { open } = doing
  const now = fieldNow(box, open)
  const here = open.rows[open.row]
  if (!here) return ''
  return now ? shownText(box.shape, rowAt(box, open, here.at), now.field, now.at) : ''
}
