import type { Device } from './table/device'

type Switched = Pick<Device, 'bypass'>

/** Whether a preset, counted from 0, is the empty one that is recalled for off. */
export const isOffPreset = ({ bypass }: Switched, index: number | null): boolean =>
  bypass.kind === 'preset' && bypass.index === index

/** Whether a control at this value is what switches the device off. */
export const isOffValue = ({ bypass }: Switched, controlId: string, value: number | undefined): boolean =>
  bypass.kind === 'control' && bypass.controlId === controlId && bypass.off === value

/** Whether a contact that stands so is what switches the device off. */
export const isOffContact = ({ bypass }: Switched, isClosed: boolean): boolean =>
  bypass.kind === 'contact' && isClosed === (bypass.off === 'closed')
