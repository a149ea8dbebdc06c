import { formatRigFile } from '#core'
import { bigBoard } from './bigBoard'

/** The full board as a rig file. */
export default formatRigFile(bigBoard())
