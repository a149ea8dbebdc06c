import { own } from '#core/base'
import { type ActionOf, LOOPER_FUNCTIONS, highestValue } from '#core/rig'
import { controlSends } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { take, type PhraseReading } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

/** Its control sent once: what the looper makes of it hangs on what it does at that moment, which nobody tells us. */
export const looper: ActionDoes<ActionOf<'looper'>> = {
  starts: (rig) => {
    const control = firstControl(rig, ({ name, section }) => /loop/i.test(`${section} ${name}`))
    return control && { kind: 'looper', controlId: control.id, does: 'oneButton' }
  },
  fires: true,
  steps: (rig, { controlId }) => {
    const control = own(rig.controls, controlId)
    if (!control) return []
    const { reading } = control
    return controlSends(rig, controlId, 'value' in reading ? reading.value : highestValue(control.address))
  },
  reads: (rig, { words }) =>
    controlsMeant(rig, words).flatMap(({ control, left, fit }): PhraseReading[] => {
      const place = `${control.section} ${own(rig.devices, control.deviceId)?.name ?? ''}`
      if (!/loop/i.test(`${place} ${control.name}`) || left.length > 0) return []
      const does = LOOPER_FUNCTIONS.find((one) => take(control.name.toLowerCase().split(/\s+/), one).fit > 0)
      return [
        { action: { kind: 'looper', controlId: control.id, does: does ?? 'oneButton' }, sureness: fit + 4 },
      ]
    }),
}
