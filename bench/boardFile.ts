import { formatRigFile } from '#core/rig'
import { bigBoard } from './bigBoard'
import { soundRig } from './soundRig'

/** The full board as a rig file. */
export default formatRigFile(bigBoard())

/** 200 sounds over 16 boxes as a rig file. */
export const soundFile = formatRigFile(soundRig(200))
