import type { Finding } from '#core/check'
import { inOrder, type Rig } from '#core/rig'

export type SwitchTab = 'floor' | 'map' | 'macros' | 'fit'

const FIT: readonly Finding['code'][] = [
  'beyondController',
  'keptGesture',
  'editingOnStage',
  'overfullSwitch',
  'unsendablePreset',
  'cannotPerform',
  'tooManyMessages',
]

/** Whether a finding is about what a controller can or cannot do. */
export const isAboutFit = ({ code }: Finding): boolean => FIT.includes(code)

/** The parts of the view. */
export const switchTabs = (
  rig: Rig,
  found: readonly Finding[],
): { key: SwitchTab; text: string; found?: readonly Finding[] }[] => [
  { key: 'floor', text: 'Floor' },
  { key: 'map', text: 'Map of banks', found: found.filter(({ code }) => code === 'noWayBack') },
  { key: 'macros', text: `Macros (${inOrder(rig.macros).length})` },
  { key: 'fit', text: 'What fits', found: found.filter(isAboutFit) },
]
