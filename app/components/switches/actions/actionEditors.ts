import type { Component } from 'vue'
import type { ActionKind } from '#core/rig'
import AllOff from './AllOff.vue'
import AlternateControl from './AlternateControl.vue'
import ClockAction from './ClockAction.vue'
import ContactAction from './ContactAction.vue'
import LayerAction from './LayerAction.vue'
import LooperAction from './LooperAction.vue'
import MacroAction from './MacroAction.vue'
import NoteAction from './NoteAction.vue'
import RawAction from './RawAction.vue'
import RecallPreset from './RecallPreset.vue'
import RecallSound from './RecallSound.vue'
import ResyncAction from './ResyncAction.vue'
import SceneAction from './SceneAction.vue'
import SetControl from './SetControl.vue'
import ShowStep from './ShowStep.vue'
import StepControl from './StepControl.vue'
import StepPreset from './StepPreset.vue'
import SweepControl from './SweepControl.vue'
import TapAction from './TapAction.vue'
import TapOutAction from './TapOutAction.vue'
import TempoAction from './TempoAction.vue'
import TravelAction from './TravelAction.vue'
import TunerAction from './TunerAction.vue'
import WaitAction from './WaitAction.vue'

/** What edits an action, by its kind. */
export const ACTION_EDITORS: { readonly [Kind in ActionKind]: Component } = {
  recallPreset: RecallPreset,
  recallSound: RecallSound,
  stepPreset: StepPreset,
  setControl: SetControl,
  alternateControl: AlternateControl,
  stepControl: StepControl,
  sweepControl: SweepControl,
  scene: SceneAction,
  note: NoteAction,
  raw: RawAction,
  wait: WaitAction,
  contact: ContactAction,
  tap: TapAction,
  tapOut: TapOutAction,
  tempo: TempoAction,
  clock: ClockAction,
  tuner: TunerAction,
  looper: LooperAction,
  travel: TravelAction,
  showStep: ShowStep,
  layer: LayerAction,
  macro: MacroAction,
  allOff: AllOff,
  resync: ResyncAction,
}

/** Kinds whose fields are in view without being asked for: what is changed most often. */
export const SHOWN_AT_ONCE: ReadonlySet<ActionKind> = new Set(['recallPreset', 'recallSound'])
