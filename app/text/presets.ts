import { addressOf, formatDisplay, type Controller, type Device } from '#core/rig'

/** The number the device shows; a dash for none. */
export const displayText = ({ numbering }: Device, index: number | null): string =>
  index === null ? '—' : formatDisplay(numbering, index)

/** What is sent for a preset: "PC 11", or "bank 2, PC 43" where banks are selected. */
export function sentText({ numbering }: Device, index: number): string {
  const { bank, program } = addressOf(numbering, index)
  return numbering.bankSelect === 'none' ? `PC ${program}` : `bank ${bank}, PC ${program}`
}

/** What the controller shows for the program sent. */
export const controllerShows = (
  controller: Pick<Controller, 'firstPreset'>,
  device: Device,
  index: number,
): number => addressOf(device.numbering, index).program + controller.firstPreset
