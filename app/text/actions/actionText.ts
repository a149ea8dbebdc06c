import type { Rig } from '#core'

/** One line of what an action does: who does what. */
export interface ActionLine {
  /** Which it is among the lines of its action. */
  readonly key: string
  readonly device: string
  /** As the device shows it, with its name: "B4 Dotted eighth". */
  readonly state: string
  /** The foot does it: nothing is sent, and nothing is meant to be. */
  readonly isByFoot: boolean
}

/** How an action of one kind is said: its lines, and the device each is about. */
export type ActionText<Action> = (rig: Rig, action: Action) => readonly ActionLine[]
