import { strToU8, Zip, ZipDeflate } from 'fflate'
import { accept, cutText, refuse, type Result } from '#core/base'
import { formatRigFile, parseRigFile, RIG_BYTES_MAX, type Rig } from '#core/rig'
import type { CreatedReply } from '#shared/contract/rigs'
import { rigFileFaults, type Fault } from '#shared/errors'
import { decodeText, NOT_TEXT } from '../base/decodeText'
import { openZip } from '../base/openZip'
import { createRigs, findRig, listRigs } from './rigs'
import { fileWords } from '#shared/fileWords'
import type { Store } from './store'

/** All rigs as one zip archive of rig files, piece by piece: one rig at a time is in memory. */
export async function* exportAllRigs(store: Store): AsyncGenerator<Uint8Array> {
  const pieces: Uint8Array[] = []
  const archive = new Zip((error, piece) => {
    if (error) throw error
    pieces.push(piece)
  })
  const rigs = await listRigs(store)
  for (const [n, { id, name }] of rigs.entries()) {
    const found = await findRig(store, id)
    // Deleted since the list was made.
    if (!found) continue
    const file = new ZipDeflate(fileName(n, rigs.length, name))
    archive.add(file)
    file.push(strToU8(formatRigFile(found.rig)), true)
    yield* pieces.splice(0)
  }
  archive.end()
  yield* pieces.splice(0)
}

/** "03 Pit bass.rig.json". */
const fileName = (n: number, of: number, name: string): string =>
  `${String(n + 1).padStart(String(of).length, '0')} ${fileWords(name)}.rig.json`

const RIGS_MAX = 1000
/** Of all files together, unpacked, in bytes: an archive can be a thousand times smaller than what is in it. */
const UNPACKED_MAX = 256_000_000

/** Why an archive was not taken: what is wrong in it, or that it holds more than may be brought in at once. */
export type ImportRefusal = { readonly code: 'invalidFile' | 'tooBig'; readonly faults: readonly Fault[] }

const invalid = (faults: readonly Fault[]) =>
  refuse<ImportRefusal>({ code: 'invalidFile', faults: faults.slice(0, 20) })
const tooBig = (path: string, reason: string) =>
  refuse<ImportRefusal>({ code: 'tooBig', faults: [{ path, reason }] })

/** New rigs from an archive of rig files: all of them, or none and the reasons. */
export async function importAllRigs(
  store: Store,
  archive: Uint8Array,
  now: Date,
): Promise<Result<CreatedReply[], ImportRefusal>> {
  const zip = await openZip(archive)
  if (!zip.ok) return invalid([{ path: '', reason: 'It is no zip archive, or it was cut short.' }])
  const names = zip.value.names.filter((name) => /\.json$/i.test(name) && !/(^|\/)(\.|__MACOSX)/.test(name))
  if (names.length === 0)
    return invalid([{ path: '', reason: 'There is no rig file (.json) in the archive.' }])
  const more = `It holds more than ${RIGS_MAX} rigs or ${UNPACKED_MAX / 1e6} MB. Bring it in by parts.`
  if (names.length > RIGS_MAX) return tooBig('', more)
  const rigs: Rig[] = []
  const faults: Fault[] = []
  let left = UNPACKED_MAX
  for (const full of names) {
    const name = cutText(full, 100)
    const file = await zip.value.read(full, Math.min(left, RIG_BYTES_MAX))
    if (!file.ok) {
      if (file.refusal === 'noArchive') faults.push({ path: name, reason: 'It cannot be unpacked.' })
      else if (left < RIG_BYTES_MAX) return tooBig('', more)
      else return tooBig(name, `It is larger than a rig file may be: ${RIG_BYTES_MAX / 1e6} MB.`)
      continue
    }
    left -= file.value.length
    const text = decodeText(file.value)
    if (text === null) {
      faults.push({ path: name, reason: NOT_TEXT })
      continue
    }
    const parsed = parseRigFile(text)
    if (parsed.ok) rigs.push(parsed.value)
    else
      faults.push(
        ...rigFileFaults(parsed.refusal).map(({ path, reason }) => ({
          path: `${name} ${path}`.trim(),
          reason,
        })),
      )
    // Others are answered between two rigs.
    await new Promise((resolve) => setImmediate(resolve))
  }
  return faults.length > 0 ? invalid(faults) : accept(await createRigs(store, rigs, now))
}
