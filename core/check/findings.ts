import type { Rig } from '../rig/rig'
import { sharedChannel, type SharedChannel } from './sharedChannel'
import { silentSwitch, type SilentSwitch } from './silentSwitch'
import { unsendablePreset, type UnsendablePreset } from './unsendablePreset'

/** Everything a check can find, closed by code. */
export type Finding = SharedChannel | SilentSwitch | UnsendablePreset

/** Every check. A new one is a file of its own and a line here. */
const CHECKS: readonly ((rig: Rig) => readonly Finding[])[] = [sharedChannel, unsendablePreset, silentSwitch]

/** All that is wrong with a rig, in the order of the checks. */
export const findings = (rig: Rig): Finding[] => CHECKS.flatMap((check) => check(rig))
