import type { Finding } from '#core/check'
import { cablingSayings } from './sayings/cabling'
import { chartSayings } from './sayings/charts'
import { controlSayings } from './sayings/control'
import { deviceSayings } from './sayings/devices'
import { lampSayings } from './sayings/lamps'
import { proofSayings } from './sayings/proof'
import { pedalSayings } from './sayings/pedals'
import { powerSayings } from './sayings/power'
import type { FindingCode, FindingText, Sayings } from './sayings/saying'
import { showSayings } from './sayings/show'
import { soundWaySayings } from './sayings/soundWay'
import { soundSayings } from './sayings/sounds'
import { switchSayings } from './sayings/switches'
import { tempoSayings } from './sayings/tempo'

/** Every code has its sentence; the compiler asks for a new one's. */
const SAYINGS: Sayings<FindingCode> = {
  ...cablingSayings,
  ...deviceSayings,
  ...controlSayings,
  ...chartSayings,
  ...powerSayings,
  ...soundSayings,
  ...soundWaySayings,
  ...switchSayings,
  ...lampSayings,
  ...proofSayings,
  ...pedalSayings,
  ...tempoSayings,
  ...showSayings,
}

/** Says a finding. */
export const findingText = (finding: Finding): FindingText =>
  (SAYINGS[finding.code] as (one: Finding) => FindingText)(finding)

export const SEVERITY_TEXT = { error: 'Will fail', warning: 'Will surprise', hint: 'Unfinished' } as const
