/** A row that an action names; `path` is inside the action. */
export interface ActionName {
  readonly path: readonly string[]
  readonly table: 'presets' | 'sounds' | 'controls' | 'devices' | 'banks' | 'macros' | 'songs'
  readonly id: string
}

/** What is known of a kind of action as part of a row; an action cannot be without what it names. */
export interface ActionRow<Action> {
  readonly names: (action: Action) => ActionName[]
  /** It turns the shift layer: a switch that does is there on both layers. */
  readonly turnsLayer?: true
}
