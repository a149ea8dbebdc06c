import type { Component } from 'vue'
import type { ActionKind } from '#core'
import RecallPreset from './RecallPreset.vue'
import RecallSound from './RecallSound.vue'

/** What edits an action, by its kind. */
export const ACTION_EDITORS: { readonly [Kind in ActionKind]: Component } = {
  recallPreset: RecallPreset,
  recallSound: RecallSound,
}
