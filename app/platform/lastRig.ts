import { browserKeep } from './keep'

const KEY = 'wire-step/last-rig'

/** The rig this browser had open last. */
export const lastRig = (): string | null => browserKeep.read(KEY)

export const rememberRig = (rigId: string): boolean => browserKeep.write(KEY, rigId)
