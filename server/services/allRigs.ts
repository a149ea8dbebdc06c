import { strToU8, unzipSync, Zip, ZipDeflate } from 'fflate'
import {
  accept,
  cutText,
  formatRigFile,
  parseRigFile,
  refuse,
  RIG_BYTES_MAX,
  type Result,
  type Rig,
} from '#core'
import type { CreatedReply } from '#shared/contract/rigs'
import { rigFileFaults, type Fault } from '#shared/errors'
import { decodeText, NOT_TEXT } from '../http/decodeText'
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

/** New rigs from an archive of rig files: all of them, or none and the reasons. */
export async function importAllRigs(
  store: Store,
  archive: Uint8Array,
  now: Date,
): Promise<Result<CreatedReply[], readonly Fault[]>> {
  const files = unpack(archive)
  if (!files.ok) return files
  const rigs: Rig[] = []
  const faults: Fault[] = []
  for (const [name, text] of files.value) {
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
  return faults.length > 0 ? refuse(faults.slice(0, 20)) : accept(await createRigs(store, rigs, now))
}

/** Texts by name; null for one that is no text. */
function unpack(archive: Uint8Array): Result<[name: string, text: string | null][], readonly Fault[]> {
  const faults: Fault[] = []
  let unpacked = 0
  let count = 0
  try {
    const files = unzipSync(archive, {
      filter: ({ name, originalSize }) => {
        if (!/\.json$/i.test(name) || /(^|\/)(\.|__MACOSX)/.test(name)) return false
        unpacked += originalSize
        count++
        if (originalSize > RIG_BYTES_MAX)
          faults.push({
            path: cutText(name, 100),
            reason: `It is larger than a rig file may be: ${RIG_BYTES_MAX / 1e6} MB.`,
          })
        return faults.length === 0 && unpacked <= UNPACKED_MAX && count <= RIGS_MAX
      },
    })
    if (count > RIGS_MAX || unpacked > UNPACKED_MAX)
      faults.push({
        path: '',
        reason: `It holds more than ${RIGS_MAX} rigs or ${UNPACKED_MAX / 1e6} MB. Bring it in by parts.`,
      })
    if (count === 0) faults.push({ path: '', reason: 'There is no rig file (.json) in the archive.' })
    if (faults.length > 0) return refuse(faults)
    return accept(Object.entries(files).map(([name, bytes]) => [cutText(name, 100), decodeText(bytes)]))
  } catch (error) {
    // fflate says so of anything that is no archive, or one cut short.
    if (error instanceof Error && 'code' in error)
      return refuse([{ path: '', reason: 'It is no zip archive, or it was cut short.' }])
    throw error
  }
}
