import { assertNever, type Finding } from '#core'
import { listText, ordinal } from './counts'

export interface FindingText {
  /** What is wrong. */
  readonly title: string
  /** Why it matters on stage, and what to do. */
  readonly body: string
  /** The words on the button that does it; null when there is no one-click way. */
  readonly fix: string | null
}

/** Says a finding. Every code has its sentence here; the compiler asks for a new one's. */
export function findingText(finding: Finding): FindingText {
  switch (finding.code) {
    case 'sharedChannel': {
      const { channel, device, holder, free } = finding.facts
      return {
        title: `${device} and ${holder} both listen on channel ${channel}.`,
        body: `Every message for one reaches the other. ${
          free === null ? 'All 16 channels are taken.' : 'Give each its own channel, here and on the device.'
        }`,
        fix: free === null ? null : `Move ${device} to channel ${free}`,
      }
    }
    case 'silentSwitch':
      return silentText(finding)
    case 'unsendablePreset': {
      const { device, display, program, bank, controller, why, highestProgram } = finding.facts
      return {
        title: `${controller} cannot send ${device} preset ${display}.`,
        body:
          why === 'noBankSelect'
            ? `It is program ${program} in bank ${bank}, and this controller sends no bank select.`
            : `It is program ${program}, and this controller's list ends at program ${highestProgram}.`,
        fix: `Take ${device} off this switch`,
      }
    }
    default:
      return assertNever(finding)
  }
}

function silentText({ facts, fix }: Extract<Finding, { code: 'silentSwitch' }>): FindingText {
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
}

export const SEVERITY_TEXT = { error: 'Will fail', warning: 'Will surprise', hint: 'Unfinished' } as const
