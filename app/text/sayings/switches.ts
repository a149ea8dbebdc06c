import { listText, ordinal } from '../counts'
import type { Sayings } from './saying'

export const switchSayings: Sayings<'silentSwitch' | 'unsendablePreset'> = {
  silentSwitch: ({ facts, fix }) => {
    const isAll = facts.presses.length === facts.of
    const which = isAll ? 'This switch' : `The ${listText(facts.presses.map(ordinal))} press`
    return {
      title: `${which} sends nothing.`,
      body:
        facts.why === 'empty'
          ? 'Say which device should go to which preset.'
          : 'The devices it is for listen on no channel. Give them one in Rig.',
      fix: fix ? 'Clear the switch' : null,
    }
  },
  unsendablePreset: ({ facts: { device, display, program, bank, controller, why, highestProgram } }) => ({
    title: `${controller} cannot send ${device} preset ${display}.`,
    body:
      why === 'noBankSelect'
        ? `It is program ${program} in bank ${bank}, and this controller sends no bank select.`
        : `It is program ${program}, and this controller's list ends at program ${highestProgram}.`,
    fix: `Take ${device} off this switch`,
  }),
}
