import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { strToU8, unzipSync, Zip, ZipDeflate } from 'fflate'
import * as z from 'zod'
import {
  accept,
  EDIT_LABELS,
  formatRigFile,
  parseRigFile,
  refuse,
  replay,
  TABLE_NAMES,
  type TableName,
  rigName,
  upgradeEdit,
  type Edit,
  type Result,
  type Rig,
} from '#core'
import type { BackupContents } from '#shared/contract/backups'
import { rigFileFaults, type Fault } from '#shared/errors'
import type { Db } from '../db/database'
import { readEditsBetween } from '../db/repositories/editLog'
import { rigOf, rigQueries } from '../db/repositories/rigRows'
import { edits, rigs } from '../db/schema'
import { decodeText } from '../http/decodeText'
import { fileWords } from '#shared/fileWords'

const FORMAT = 'wire-step-backup'
const VERSION = 1
const MANIFEST = 'backup.json'

const partSchema = z.strictObject({
  file: z.string().min(1).max(200),
  bytes: z.int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
})

const headSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().max(200),
  revision: z.int().min(1),
  createdAt: z.iso.datetime(),
  changedAt: z.iso.datetime(),
  deletedAt: z.iso.datetime().nullable(),
  rig: partSchema,
  history: partSchema,
})

const manifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  madeAt: z.iso.datetime(),
  rigs: z.array(headSchema).max(10_000),
})

type Manifest = z.infer<typeof manifestSchema>

const rowSchema = z.record(z.string(), z.unknown()).nullable()

const loggedSchema = z.strictObject({
  revision: z.int().min(1),
  id: z.string().min(1).max(100),
  at: z.string().max(40),
  name: z.string().max(200),
  label: z.enum(EDIT_LABELS),
  // Logs of the first version name rows twice in one edit, which no edit may now: what they lead to is what counts.
  changes: z.array(
    z.strictObject({
      table: z.enum(TABLE_NAMES as [TableName, ...TableName[]]),
      id: z.string().max(40),
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

/** Edits in memory together. */
const CHUNK = 500

/**
 * Everything as one zip archive, piece by piece: of each rig, deleted ones too, the rig file and its history, a line of JSON an
 * edit; and last what is in it, with a SHA-256 of each file (FIPS 180-4). One rig at a time is in memory.
 */
export async function* backupPieces(db: Db, now: Date): AsyncGenerator<Uint8Array> {
  const pieces: Uint8Array[] = []
  const archive = new Zip((error, piece) => {
    if (error) throw error
    pieces.push(piece)
  })
  const put = (file: string, bytes: Uint8Array) => {
    const entry = new ZipDeflate(file)
    archive.add(entry)
    entry.push(bytes, true)
    return { file, bytes: bytes.length, sha256: sha256(bytes) }
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
    const lines: string[] = []
    const names = await revisionNames(db, id)
    for (let after = 0; after < head.revision; after += CHUNK) {
      for (const { edit, ...logged } of await readEditsBetween(
        db,
        id,
        after,
        Math.min(head.revision, after + CHUNK),
      ))
        lines.push(JSON.stringify({ ...logged, name: names.get(logged.revision) ?? '', ...edit }))
    }
    listed.push({
      ...head,
      name: rigName(rig),
      rig: rigPart,
      history: put(`${stem}.history.jsonl`, strToU8(`${lines.join('\n')}\n`)),
    })
    yield* pieces.splice(0)
  }
  const manifest: Manifest = { format: FORMAT, version: VERSION, madeAt: now.toISOString(), rigs: listed }
  put(MANIFEST, strToU8(`${JSON.stringify(manifest, null, 2)}\n`))
  archive.end()
  yield* pieces.splice(0)
}

const revisionNames = async (db: Db, rigId: string): Promise<ReadonlyMap<number, string>> => {
  const rows = await db
    .select({ revision: edits.revision, name: edits.name })
    .from(edits)
    .where(eq(edits.rigId, rigId))
  return new Map(rows.flatMap(({ revision, name }) => (name === '' ? [] : [[revision, name]])))
}

/** Of all files together, unpacked, in bytes. */
const UNPACKED_MAX = 1_000_000_000

function unzipped(
  archive: Uint8Array,
  isAsked: (name: string) => boolean,
): { [name: string]: Uint8Array } | null {
  let unpacked = 0
  try {
    return unzipSync(archive, {
      filter: ({ name, originalSize }) => isAsked(name) && (unpacked += originalSize) <= UNPACKED_MAX,
    })
  } catch (error) {
    // fflate says so of anything that is no archive, or one cut short.
    if (error instanceof Error && 'code' in error) return null
    throw error
  }
}

const CUT = 'It is no backup of Wire Step, or it was cut short.'

function readManifest(archive: Uint8Array): Result<Manifest, readonly Fault[]> {
  const text = unzipped(archive, (name) => name === MANIFEST)?.[MANIFEST]
  const read = manifestSchema.safeParse(text && parseJson(decodeText(text)))
  if (read.success) return accept(read.data)
  return refuse([
    { path: text ? MANIFEST : '', reason: text ? 'It does not say what is in the backup.' : CUT },
  ])
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
export const isBackup = (archive: Uint8Array): boolean =>
  unzipped(archive, (name) => name === MANIFEST)?.[MANIFEST] !== undefined

/** What a backup says is in it; nothing is checked but that. */
export function backupContents(
  archive: Uint8Array,
): Result<BackupContents & { readonly mark: string }, readonly Fault[]> {
  const manifest = readManifest(archive)
  if (!manifest.ok) return manifest
  const { madeAt, rigs: all } = manifest.value
  const revisions = all.reduce((sum, { revision }) => sum + revision, 0)
  return accept({ madeAt, rigs: all.length, revisions, mark: headsMark(all) })
}

/**
 * Reads a backup whole. Every file must be there with the sum the backup says, every rig be sound, and every history lead from
 * nothing to its rig, edit by edit; else all of it is refused with what is wrong.
 */
export async function readBackup(
  archive: Uint8Array,
): Promise<Result<readonly BackedUp[], readonly Fault[]>> {
  const manifest = readManifest(archive)
  if (!manifest.ok) return manifest
  const files = unzipped(archive, () => true)
  if (!files) return refuse([{ path: '', reason: CUT }])
  const all: BackedUp[] = []
  const faults: Fault[] = []
  const seen = new Set<string>()
  for (const { rig: rigPart, history, ...head } of manifest.value.rigs) {
    const read = [rigPart, history].map((part) => {
      const bytes = Object.hasOwn(files, part.file) ? files[part.file]! : null
      if (bytes && bytes.length === part.bytes && sha256(bytes) === part.sha256) return decodeText(bytes)
      faults.push({
        path: part.file,
        reason: bytes ? 'It is not as it was when the backup was made.' : 'It is missing.',
      })
      return null
    })
    const [rigText, historyText] = read
    if (typeof rigText === 'string' && typeof historyText === 'string') {
      const one = readOne(head, rigText, historyText)
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
  return faults.length > 0 ? refuse(faults.slice(0, 20)) : accept(all)
}

function readOne(
  head: Omit<BackedUp, 'rig' | 'log'>,
  rigText: string,
  historyText: string,
): Result<BackedUp, readonly Fault[]> {
  const parsed = parseRigFile(rigText)
  if (!parsed.ok) return refuse(rigFileFaults(parsed.refusal))
  const log: BackedUp['log'][number][] = []
  for (const line of historyText.split('\n')) {
    if (line === '') continue
    const read = loggedSchema.safeParse(parseJson(line))
    if (!read.success || read.data.revision !== log.length + 1)
      return refuse([{ path: `revision ${log.length + 1}`, reason: 'Its history cannot be read there.' }])
    const { revision, id, at, name, label, changes } = read.data
    log.push({ revision, id, at, name, edit: upgradeEdit({ label, changes } as unknown as Edit) })
  }
  if (log.length !== head.revision || new Set(log.map(({ id }) => id)).size !== log.length)
    return refuse([{ path: 'history', reason: 'Its history is not whole.' }])
  // Rows of the first version may have spaces round their names, which a file has not: the log says what was stored.
  const rig = replay(log.map(({ edit }) => edit))
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
