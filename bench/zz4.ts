import { tidewright } from '../server/demo/tidewright'
import { lampSays } from '../core/switching/action'
import { NOTHING_KNOWN } from '../core/switching/known'
const rig = tidewright()
console.log(JSON.stringify(lampSays(rig, rig.switches['finale-2' as never]!.positions[0]!, NOTHING_KNOWN).map(s => [s.action, s.claims.length])))
console.log(JSON.stringify(rig.macros), rig.switches['finale-2' as never]!)
