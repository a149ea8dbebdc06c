import { addDevice, addController, CONTROLLERS, DEVICES } from '#core/archetype'
import { applyEdit, emptyRig, type Control, type Rig } from '#core/rig'

/** Devices on channels of their own, each with a chart of `lines`: CC first, NRPN when those are used up. */
export function chartedRig(devices: number, lines: number): Rig {
  const spot = { x: 0, y: 0 }
  const start = applyEdit(
    emptyRig('Charted'),
    addController(emptyRig('Charted'), CONTROLLERS.at(-1)!, 'controller' as never, spot),
  )
  let rig = start.ok ? start.value : emptyRig('Charted')
  for (let n = 0; n < devices; n++) {
    const applied = applyEdit(
      rig,
      addDevice(rig, DEVICES[0]!, { device: `d${n}` as never, cable: `c${n}` as never }, spot),
    )
    if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
    rig = applied.value
  }
  const controls = Object.keys(rig.devices).flatMap((deviceId, d) =>
    Array.from({ length: lines }, (_, n): Control => ({
      id: `${deviceId}-${n}` as Control['id'],
      deviceId: deviceId as Control['deviceId'],
      order: d * 1000 + n,
      name: `Device ${d} control ${n}`,
      section: '',
      address:
        n < 32 + 64
          ? { kind: 'cc', number: (n < 32 ? n : n + 1) as never }
          : { kind: 'nrpn', parameter: n as never, written: 'number', value: 'msb', nullAfter: true },
      reading: { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
      kind: 'fixed',
      map: 'device',
      division: null,
      source: 'maker',
      note: '',
      origin: '',
    })),
  )
  return { ...rig, controls: Object.fromEntries(controls.map((control) => [control.id, control])) }
}
