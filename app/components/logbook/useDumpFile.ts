import { shallowRef } from 'vue'
import type { Result } from '#core/base'
import { readDumpMidiFile, readSyx, type DumpFault, type DumpFileFault, type Recording } from '#core/dump'
import { DUMP_BYTES_MAX } from '#core/rig'
import { useDumpStore } from '~/stores/dumps'

/** A file of dumps as it was read. */
export interface DumpFile {
  readonly name: string
  readonly from: 'syx' | 'midiFile'
  readonly read: Result<Recording, readonly (DumpFault | DumpFileFault)[]>
}

/** A MIDI file holds more than its dumps. */
const FILE_BYTES_MAX = 4 * DUMP_BYTES_MAX

/** Opens .syx and MIDI files: told apart by how they begin, whatever they are called. */
export function useDumpFile() {
  const store = useDumpStore()
  const file = shallowRef<DumpFile | null>(null)

  async function open(chosen: File): Promise<void> {
    store.forget()
    const name = chosen.name.replace(/\.(syx|midi?)$/i, '')
    if (chosen.size > FILE_BYTES_MAX) {
      file.value = { name, from: 'syx', read: { ok: false, refusal: [{ code: 'tooLong' }] } }
      return
    }
    const bytes = new Uint8Array(await chosen.arrayBuffer())
    const isMidiFile = bytes[0] === 0x4d || /\.midi?$/i.test(chosen.name)
    file.value = isMidiFile
      ? { name, from: 'midiFile', read: readDumpMidiFile(bytes) }
      : { name, from: 'syx', read: readSyx(bytes) }
  }

  return { file, open }
}
