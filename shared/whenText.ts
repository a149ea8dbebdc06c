import { own } from '#core/base'
import { boxName, type Rig, type When } from '#core/rig'
import { listText } from './words/counts'

/** "while the Wah of Bass synth is on", "in Storm", "otherwise". */
export function whenText(rig: Rig, when: When): string {
  switch (when.kind) {
    case 'always':
      return 'at any other time'
    case 'banks': {
      const names = when.bankIds.map((id) => own(rig.banks, id)?.name || 'a bank without a name')
      return names.length === 0 ? 'in no bank' : `in ${listText(names, 'or')}`
    }
    case 'layer':
      return 'on the shift layer'
    case 'control': {
      const control = own(rig.controls, when.controlId)
      return `while ${control ? `${boxName(rig, control.deviceId)} ${control.name}` : 'a control'} is ${when.is}`
    }
    case 'held': {
      const footswitch = own(rig.switches, when.switchId)
      return `while ${footswitch ? footswitch.label || `switch ${footswitch.number}` : 'a switch'} is held`
    }
  }
}
