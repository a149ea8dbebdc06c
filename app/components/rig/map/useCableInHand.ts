import { computed, shallowRef } from 'vue'
import {
  cableBetween,
  endOf,
  isFree,
  likelyCable,
  plugChoices,
  type Box,
  type Cable,
  type Port,
  type Rig,
  type Spot,
} from '#core/rig'

/** A cable in the hand: from a jack, or, begun by keyboard, from a box whose jack is still open. */
export interface Pull {
  readonly box: Box
  readonly port: Port | null
  /** Where its loose end is on the map. */
  readonly at: Spot
}

interface Around {
  readonly rig: () => Rig
  readonly chosenId: () => string | null
  readonly lay: (cable: Cable) => void
  readonly refuse: (from: string, to: string) => void
}

/** Laying a cable on the map: pulled from jack to jack, or by keyboard from box to box. */
export function useCableInHand({ rig, chosenId, lay, refuse }: Around) {
  const pulled = shallowRef<Pull | null>(null)

  /** The jacks the cable would go into, by box. */
  const fitting = computed(() => {
    const targets = new Map<string, Set<string>>()
    for (const port of pulled.value ? startingJacks(pulled.value) : [])
      for (const choice of plugChoices(rig(), pulled.value!.box.id, port.id))
        targets.set(choice.box.id, (targets.get(choice.box.id) ?? new Set()).add(choice.port.id))
    return targets
  })

  const startingJacks = ({ box, port }: Pull): readonly Port[] =>
    port ? [port] : box.ports.filter((one) => isFree(rig(), box.id, one))

  /** The jacks to show on a box: where a cable may begin, or where the one in the hand may end. */
  function jacksOf(box: Box): readonly Port[] {
    const pull = pulled.value
    if (pull?.port) {
      if (box.id === pull.box.id) return [pull.port]
      return box.ports.filter(({ id }) => fitting.value.get(box.id)?.has(id))
    }
    if (pull || chosenId() !== box.id) return []
    return box.ports.filter(
      (port) => isFree(rig(), box.id, port) && plugChoices(rig(), box.id, port.id).length > 0,
    )
  }

  const letGo = (): void => {
    pulled.value = null
  }
  const pull = (box: Box, port: Port, at: Spot): void => {
    pulled.value = { box, port, at }
  }
  const begin = (box: Box): void => {
    pulled.value = { box, port: null, at: { x: 0, y: 0 } }
  }

  const layOr = (cable: Cable | null, from: string, to: string): void =>
    cable ? lay(cable) : refuse(from, to)

  /** Dropped on a jack, or on a box, which then offers the jack that suits best. */
  function plug(box: Box, port: Port, clientX: number, clientY: number): void {
    if (!pulled.value) return
    letGo()
    const hit = document
      .elementsFromPoint(clientX, clientY)
      .find((one): one is HTMLElement => one instanceof HTMLElement && one.dataset.box !== undefined)
    const to = hit?.dataset.box
    if (!to || to === box.id) return
    const jack =
      hit.dataset.jack ?? plugChoices(rig(), box.id, port.id).find((choice) => choice.box.id === to)?.port.id
    const cable =
      jack === undefined ? null : cableBetween(rig(), endOf(rig(), box.id, port.id), endOf(rig(), to, jack))
    layOr(cable, box.id, to)
  }

  /** Ends a cable begun by keyboard at another box. False when there is none to end. */
  function endAt(box: Box): boolean {
    const from = pulled.value
    if (!from || from.port || from.box.id === box.id) return false
    letGo()
    layOr(likelyCable(rig(), from.box.id, box.id), from.box.id, box.id)
    return true
  }

  return { pulled, fitting, jacksOf, letGo, pull, begin, plug, endAt }
}
