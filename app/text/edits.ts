import type { EditLabel } from '#core'

/** What an edit did, as it stands after "Undo": "Undo: change channel". */
export const EDIT_TEXT: Record<EditLabel, string> = {
  renameRig: 'rename rig',
  addController: 'add controller',
  changeController: 'change controller',
  removeController: 'remove controller',
  addDevice: 'add device',
  changeDevice: 'change device',
  removeDevice: 'remove device',
  setChannel: 'change channel',
  changeNumbering: 'change preset numbering',
  addPreset: 'add preset',
  namePreset: 'name preset',
  removePreset: 'remove preset',
  addBank: 'add bank',
  nameBank: 'name bank',
  removeBank: 'remove bank',
  labelSwitch: 'label switch',
  setMode: 'change how the switch works',
  setRecall: 'choose preset',
  removeRecall: 'take device off switch',
  moveRecall: 'change sending order',
  clearSwitch: 'clear switch',
  copySwitch: 'copy switch',
}
