import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { strToU8, Zip, ZipDeflate } from 'fflate'
import * as z from 'zod/mini'
import { accept, refuse, type Result } from '#core/base'
import {
  EDIT_LABELS,
  formatRigFile,
  NO_RIG,
  parseRigFile,
  replay,
  TABLE_NAMES,
  type TableName,
  rigName,
  upgradeEdit,
  type Edit,
  type Rig,
} from '#core/rig'
import type { BackupContents } from '#shared/contract/backups'
import { rigFileFaults, type Fault } from '#shared/errors'
import type { Db } from '../db/database'
import { lastWithin, readNamedEditsBetween } from '../db/repositories/editLog'
import { rigOf, rigQueries } from '../db/repositories/rigRows'
import { rigs } from '../db/schema'
import { decodeText, NOT_TEXT } from '../base/decodeText'
import { openZip, type OpenZip } from '../base/openZip'
import { rests } from '../base/rests'
import { fileWords } from '#shared/fileWords'

const FORMAT = 'wire-step-backup'
const VERSION = 1
const MANIFEST = 'backup.json'

const partSchema = z.strictObject({
  file: z.string().check(z.minLength(1), z.maxLength(200)),
  bytes: z.int().check(z.gte(0)),
  sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
})

const headSchema = z.strictObject({
  id: z.string().check(z.minLength(1), z.maxLength(40)),
  name: z.string().check(z.maxLength(200)),
  revision: z.int().check(z.gte(1)),
  createdAt: z.iso.datetime(),
  changedAt: z.iso.datetime(),
  deletedAt: z.nullable(z.iso.datetime()),
  rig: partSchema,
  history: partSchema,
})

const manifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  madeAt: z.iso.datetime(),
  rigs: z.array(headSchema).check(z.maxLength(10_000)),
})

type Manifest = z.infer<typeof manifestSchema>

const rowSchema = z.nullable(z.record(z.string(), z.unknown()))

const loggedSchema = z.strictObject({
  revision: z.int().check(z.gte(1)),
  id: z.string().check(z.minLength(1), z.maxLength(100)),
  at: z.string().check(z.maxLength(40)),
  name: z.string().check(z.maxLength(200)),
  label: z.enum(EDIT_LABELS),
  // Logs of the first version name rows twice in one edit, which no edit may now: what they lead to is what counts.
  changes: z.array(
    z.strictObject({
      table: z.enum(TABLE_NAMES as [TableName, ...TableName[]]),
      id: z.string().check(z.maxLength(40)),
      before: rowSchema,
      after: rowSchema,
    }),
  ),
})

/** One rig of a backup with all of its log. */
export interface BackedUp extends Omit<Manifest['rigs'][number], 'rig' | 'history'> {
  readonly rig: Rig
  readonly log: readonly {
    readonly revision: number
    readonly id: string
    readonly at: string
    readonly name: string
    readonly edit: Edit
  }[]
}

const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** What tells whether anything has changed since another backup. */
export const headsMark = (
  heads: readonly Pick<BackedUp, 'id' | 'revision' | 'changedAt' | 'deletedAt'>[],
): string =>
  sha256(
    strToU8(
      heads
        .map(({ id, revision, changedAt, deletedAt }) => `${id} ${revision} ${changedAt} ${deletedAt}`)
        .sort()
        .join('\n'),
    ),
  )

export const allHeads = (db: Db) => db.select().from(rigs).orderBy(rigs.createdAt, rigs.id)

/** Edits read from the database together: so many, and no more than come to so many bytes, for one may be of some megabytes. */
const [EDITS_MOST, BYTES_MOST] = [500, 500_000]

/**
 * Everything as one zip archive, piece by piece: of each rig, deleted ones too, the rig file and its history, a line of JSON an
 * edit; and last what is in it, with a SHA-256 of each file (FIPS 180-4). One rig and a few edits are in memory at a time, and
 * others are answered between lines.
 */
export async function* backupPieces(db: Db, now: Date): AsyncGenerator<Uint8Array> {
  const pieces: Uint8Array[] = []
  const archive = new Zip((error, piece) => {
    if (error) throw error
    pieces.push(piece)
  })
  const rest = rests()
  const begin = (file: string) => {
    const entry = new ZipDeflate(file)
    archive.add(entry)
    const sum = createHash('sha256')
    let bytes = 0
    return {
      push: (piece: Uint8Array, isLast: boolean) => {
        bytes += piece.length
        sum.update(piece)
        entry.push(piece, isLast)
      },
      told: () => ({ file, bytes, sha256: sum.digest('hex') }),
    }
  }
  const put = (file: string, bytes: Uint8Array) => {
    const entry = begin(file)
    entry.push(bytes, true)
    return entry.told()
  }
  const listed: Manifest['rigs'] = []
  for (const { id } of await allHeads(db)) {
    const [heads, ...answers] = await db.batch([
      db.select().from(rigs).where(eq(rigs.id, id)),
      ...rigQueries(db, id),
    ])
    const [head] = heads
    if (!head) continue
    const rig = rigOf(answers)
    const stem = `${String(listed.length + 1).padStart(3, '0')} ${fileWords(rigName(rig))}`
    const rigPart = put(`${stem}.rig.json`, strToU8(formatRigFile(rig)))
    yield* pieces.splice(0)
    const history = begin(`${stem}.history.jsonl`)
    for (let after = 0; after < head.revision;) {
      const last = (await lastWithin(db, id, after, EDITS_MOST, BYTES_MOST)) ?? head.revision
      const upTo = Math.min(head.revision, last)
      for (const { edit, ...logged } of await readNamedEditsBetween(db, id, after, upTo)) {
        const line = JSON.stringify({ ...logged, ...edit })
        history.push(strToU8(`${line}\n`), false)
        yield* pieces.splice(0)
        await rest(line.length)
      }
      after = upTo
    }
    history.push(new Uint8Array(), true)
    listed.push({ ...head, name: rigName(rig), rig: rigPart, history: history.told() })
    yield* pieces.splice(0)
  }
  const manifest: Manifest = { format: FORMAT, version: VERSION, madeAt: now.toISOString(), rigs: listed }
  put(MANIFEST, strToU8(`${JSON.stringify(manifest, null, 2)}\n`))
  archive.end()
  yield* pieces.splice(0)
}

/** Of all files together, unpacked, in bytes; and of what says what is in it. */
const [UNPACKED_MAX, MANIFEST_MAX] = [1_000_000_000, 16_000_000]

const CUT = 'It is no backup of Wire Step, or it was cut short.'

/** Why a backup was not opened: what is wrong with it, or that more would come out of it than is taken. */
export interface BackupRefusal {
  readonly code: 'invalidBackup' | 'tooBig'
  readonly faults: readonly Fault[]
}

const invalid = (...faults: readonly Fault[]) =>
  refuse<BackupRefusal>({ code: 'invalidBackup', faults: faults.slice(0, 20) })
const tooBig = (path: string) =>
  refuse<BackupRefusal>({
    code: 'tooBig',
    faults: [{ path, reason: 'More comes out of it than a backup may hold.' }],
  })

interface OpenBackup {
  readonly zip: OpenZip
  readonly manifest: Manifest
}

async function openBackup(archive: Uint8Array): Promise<Result<OpenBackup, BackupRefusal>> {
  const zip = await openZip(archive)
  if (!zip.ok) return zip.refusal === 'tooBig' ? tooBig('') : invalid({ path: '', reason: CUT })
  const text = await zip.value.read(MANIFEST, MANIFEST_MAX)
  if (!text.ok) return text.refusal === 'tooBig' ? tooBig(MANIFEST) : invalid({ path: '', reason: CUT })
  const read = manifestSchema.safeParse(parseJson(decodeText(text.value)))
  return read.success
    ? accept({ zip: zip.value, manifest: read.data })
    : invalid({ path: MANIFEST, reason: 'It does not say what is in the backup.' })
}

const parseJson = (text: string | null): unknown => {
  try {
    return text === null ? null : JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}

/** Whether an archive is a backup, whatever state it is in. */
export async function isBackup(archive: Uint8Array): Promise<boolean> {
  const zip = await openZip(archive)
  return zip.ok && zip.value.names.includes(MANIFEST)
}

/** What a backup says is in it; nothing is checked but that. */
export async function backupContents(
  archive: Uint8Array,
): Promise<Result<BackupContents & { readonly mark: string }, BackupRefusal>> {
  const opened = await openBackup(archive)
  if (!opened.ok) return opened
  const { madeAt, rigs: all } = opened.value.manifest
  const revisions = all.reduce((sum, { revision }) => sum + revision, 0)
  return accept({ madeAt, rigs: all.length, revisions, mark: headsMark(all) })
}

/**
 * Reads a backup whole, a rig at a time. Every file must be there with the sum the backup says, every rig be sound, and every
 * history lead from nothing to its rig, edit by edit; else all of it is refused with what is wrong.
 */
export async function readBackup(archive: Uint8Array): Promise<Result<readonly BackedUp[], BackupRefusal>> {
  const opened = await openBackup(archive)
  if (!opened.ok) return opened
  const { zip, manifest } = opened.value
  const unpacked = manifest.rigs.reduce((sum, { rig, history }) => sum + rig.bytes + history.bytes, 0)
  if (unpacked > UNPACKED_MAX) return tooBig('')
  const all: BackedUp[] = []
  const faults: Fault[] = []
  const seen = new Set<string>()
  for (const { rig: rigPart, history, ...head } of manifest.rigs) {
    const [rigBytes, historyBytes] = [await readPart(zip, rigPart), await readPart(zip, history)]
    for (const one of [rigBytes, historyBytes]) if (!one.ok) faults.push(one.refusal)
    if (rigBytes.ok && historyBytes.ok) {
      const one = await readOne(head, rigBytes.value, historyBytes.value)
      if (seen.has(head.id)) faults.push({ path: rigPart.file, reason: 'This rig is in it twice.' })
      seen.add(head.id)
      if (one.ok) all.push(one.value)
      else
        faults.push(
          ...one.refusal.map(({ path, reason }) => ({ path: `${rigPart.file} ${path}`.trim(), reason })),
        )
    }
    // Others are answered between two rigs.
    await new Promise((resolve) => setImmediate(resolve))
  }
  return faults.length > 0 ? invalid(...faults) : accept(all)
}

/** The sum of what may be long, piece by piece. */
async function sumOf(bytes: Uint8Array): Promise<string> {
  const sum = createHash('sha256')
  const rest = rests()
  const PIECE = 1_000_000
  for (let from = 0; from < bytes.length; from += PIECE) {
    sum.update(bytes.subarray(from, from + PIECE))
    await rest(PIECE)
  }
  return sum.digest('hex')
}

/** A file of a backup as its list says it is; no more of it is unpacked than that. */
async function readPart(
  zip: OpenZip,
  { file, bytes, sha256: sum }: z.infer<typeof partSchema>,
): Promise<Result<Uint8Array, Fault>> {
  if (!zip.names.includes(file)) return refuse({ path: file, reason: 'It is missing.' })
  const read = await zip.read(file, bytes)
  return read.ok && read.value.length === bytes && (await sumOf(read.value)) === sum
    ? accept(read.value)
    : refuse({ path: file, reason: 'It is not as it was when the backup was made.' })
}

/** Lines of a text, each without its end; of one that is no UTF-8 null. */
function* linesOf(bytes: Uint8Array): Generator<string | null> {
  for (let from = 0; from < bytes.length;) {
    const end = bytes.indexOf(10, from)
    const to = end < 0 ? bytes.length : end
    if (to > from) yield decodeText(bytes.subarray(from, to))
    from = to + 1
  }
}

async function readOne(
  head: Omit<BackedUp, 'rig' | 'log'>,
  rigBytes: Uint8Array,
  historyBytes: Uint8Array,
): Promise<Result<BackedUp, readonly Fault[]>> {
  const rigText = decodeText(rigBytes)
  if (rigText === null) return refuse([{ path: '', reason: NOT_TEXT }])
  const parsed = parseRigFile(rigText)
  if (!parsed.ok) return refuse(rigFileFaults(parsed.refusal))
  const log: BackedUp['log'][number][] = []
  const rest = rests()
  // Rows of the first version may have spaces round their names, which a file has not: the log says what was stored.
  let rig = NO_RIG
  for (const line of linesOf(historyBytes)) {
    const read = loggedSchema.safeParse(parseJson(line))
    if (!read.success || read.data.revision !== log.length + 1)
      return refuse([{ path: `revision ${log.length + 1}`, reason: 'Its history cannot be read there.' }])
    const { revision, id, at, name, label, changes } = read.data
    const edit = upgradeEdit({ label, changes } as unknown as Edit)
    log.push({ revision, id, at, name, edit })
    rig = replay([edit], rig)
    await rest(line?.length ?? 0)
  }
  if (log.length !== head.revision || new Set(log.map(({ id }) => id)).size !== log.length)
    return refuse([{ path: 'history', reason: 'Its history is not whole.' }])
  if (fileOf(rig) !== fileOf(parsed.value))
    return refuse([{ path: 'history', reason: 'Its history does not lead to it.' }])
  return accept({ ...head, rig, log })
}

/** Null for what is no sound rig. */
function fileOf(rig: Rig): string | null {
  try {
    return formatRigFile(rig)
  } catch (error) {
    if (error instanceof z.core.$ZodError || error instanceof TypeError) return null
    throw error
  }
}
