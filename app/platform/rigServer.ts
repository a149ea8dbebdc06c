import type { BackupSchedule, BackupsReply, MadeReply, RestoredReply } from '#shared/contract/backups'
import type { FactsReply, HistoryReply, NamedReply, RigThenReply } from '#shared/contract/history'
import type {
  CreatedReply,
  CreateRig,
  CreatedRigsReply,
  DeletedRigsReply,
  EditLogReply,
  PostEdit,
  RevisionReply,
  RigListReply,
  RigReply,
} from '#shared/contract/rigs'
import type { FloorReply, PostFloor } from '#shared/contract/floor'
import type { SessionReply } from '#shared/contract/session'
import type { ErrorReply } from '#shared/errors'
import { stampText, type Stamp } from '#shared/stamp'

/** Why a request brought nothing: it was refused, or not now; without an error the server could not be reached. */
export type Failure =
  | { readonly kind: 'refused'; readonly error: ErrorReply['error'] }
  | { readonly kind: 'away'; readonly error?: ErrorReply['error'] }

export type Answer<Value> = { readonly kind: 'done'; readonly value: Value } | Failure

/** What the app asks of the server. */
export interface RigServer {
  readonly list: () => Promise<Answer<RigListReply>>
  readonly create: (what: CreateRig) => Promise<Answer<CreatedReply>>
  /** Sent as it is: whether it is text at all is the server's to say. */
  readonly importFile: (file: Blob) => Promise<Answer<CreatedReply>>
  /** An archive of rig files: all come in, or none. */
  readonly importAll: (archive: Blob) => Promise<Answer<CreatedRigsReply>>
  readonly session: () => Promise<Answer<SessionReply>>
  readonly signOut: () => Promise<Answer<null>>
  readonly load: (rigId: string) => Promise<Answer<RigReply>>
  readonly remove: (rigId: string) => Promise<Answer<null>>
  readonly post: (rigId: string, edit: PostEdit) => Promise<Answer<RevisionReply>>
  readonly since: (rigId: string, revision: number) => Promise<Answer<EditLogReply>>
  /** What this tab's floor shows, for screens that follow. */
  /** What was done before a revision, the newest first; the newest of all without one. */
  readonly history: (rigId: string, before: number | null) => Promise<Answer<HistoryReply>>
  readonly named: (rigId: string) => Promise<Answer<NamedReply>>
  readonly nameRevision: (rigId: string, revision: number, name: string) => Promise<Answer<null>>
  /** The rig as it was. */
  readonly then: (rigId: string, revision: number) => Promise<Answer<RigThenReply>>
  readonly facts: (rigId: string, since: number) => Promise<Answer<FactsReply>>
  readonly deleted: () => Promise<Answer<DeletedRigsReply>>
  readonly bringBack: (rigId: string) => Promise<Answer<null>>
  /** Takes a deleted rig out for good. */
  readonly forget: (rigId: string) => Promise<Answer<null>>
  readonly backups: () => Promise<Answer<BackupsReply>>
  readonly makeBackup: () => Promise<Answer<MadeReply>>
  readonly scheduleBackups: (schedule: BackupSchedule) => Promise<Answer<null>>
  /** Opens a backup that is sent, or one of the server's folder by its name. */
  readonly restore: (from: Blob | string) => Promise<Answer<RestoredReply>>
  readonly postFloor: (rigId: string, post: PostFloor) => Promise<Answer<FloorReply>>
}

export const browserRigServer: RigServer = {
  list: () => ask('GET', '/api/rigs'),
  create: (what) => ask('POST', '/api/rigs', JSON.stringify(what)),
  importFile: (file) => ask('POST', '/api/rigs/file', file),
  importAll: (archive) => ask('POST', ALL_RIGS, archive),
  session: () => ask('GET', '/api/session'),
  signOut: () => ask('POST', '/api/sign-out', '{}'),
  load: (rigId) => ask('GET', address(rigId)),
  remove: (rigId) => ask('DELETE', address(rigId)),
  post: (rigId, edit) => ask('POST', `${address(rigId)}/edits`, JSON.stringify(edit)),
  history: (rigId, before) =>
    ask('GET', `${address(rigId)}/history${before === null ? '' : `?before=${before}`}`),
  named: (rigId) => ask('GET', `${address(rigId)}/named`),
  nameRevision: (rigId, revision, name) =>
    ask('POST', `${address(rigId)}/revisions/${revision}`, JSON.stringify({ name })),
  then: (rigId, revision) => ask('GET', `${address(rigId)}/revisions/${revision}`),
  facts: (rigId, since) => ask('GET', `${address(rigId)}/logbook?since=${since}`),
  deleted: () => ask('GET', '/api/rigs/deleted'),
  bringBack: (rigId) => ask('POST', `${address(rigId)}/bring-back`, '{}'),
  forget: (rigId) => ask('POST', `${address(rigId)}/forget`, '{}'),
  backups: () => ask('GET', '/api/backups'),
  makeBackup: () => ask('POST', '/api/backups', '{}'),
  scheduleBackups: (schedule) => ask('POST', '/api/backups/schedule', JSON.stringify(schedule)),
  restore: (from) =>
    typeof from === 'string'
      ? ask('POST', backupAddress(from), '{}')
      : ask('POST', '/api/backups/restore', from),
  postFloor: (rigId, post) => ask('POST', `${address(rigId)}/floor`, JSON.stringify(post)),
  since: (rigId, revision) => ask('GET', `${address(rigId)}/edits?since=${revision}`),
}

/** Where all rigs are had as one archive, and brought in. */
export const ALL_RIGS = '/api/all-rigs.zip'

/** Where everything is had as one backup; and a backup of the server's folder. */
export const BACKUP_NOW = '/api/backup.zip'
export const backupAddress = (file: string): string => `/api/backups/${encodeURIComponent(file)}`

/** Where a player signs in, to come back to the page they were on. */
export const signInAddress = (path: string): string => `/sign-in?to=${encodeURIComponent(path)}`

const address = (rigId: string) => `/api/rigs/${encodeURIComponent(rigId)}`

export type PaperName = 'strips' | 'cable-tags' | 'set-sheet' | 'stand-in' | 'key-in' | 'test-plan'

/** A paper of a rig as PDF; the browser fetches it itself. */
export const paperAddress = (rigId: string, name: PaperName, paper: 'a4' | 'letter', stamp: Stamp | null) =>
  `${address(rigId)}/files/${name}.pdf?paper=${paper}${stamp ? `&stamp=${stampText(stamp)}` : ''}`

/** Where a rig's files are. */
export const fileAddress = (rigId: string, file: 'rig.json' | 'switches.mid') =>
  `${address(rigId)}/files/${file}`

/** Refusals that only mean "not now": nothing is wrong with what was asked. */
const isPassing = ({ code }: ErrorReply['error']): boolean =>
  code === 'tooManyRequests' || code === 'unavailable' || code === 'busy' || code.startsWith('storage')

async function ask<Value>(method: string, url: string, body?: string | Blob): Promise<Answer<Value>> {
  try {
    const response = await fetch(url, {
      method,
      ...(body !== undefined && { body, headers: { 'Content-Type': contentType(body) } }),
    })
    if (response.ok)
      return { kind: 'done', value: (response.status === 204 ? null : await response.json()) as Value }
    const reply = await readError(response)
    if (!reply) return { kind: 'away' }
    return { kind: isPassing(reply.error) ? 'away' : 'refused', error: reply.error }
  } catch (error) {
    // fetch says by a TypeError that there was no connection; an answer cut in the middle is no JSON.
    if (error instanceof TypeError || error instanceof SyntaxError) return { kind: 'away' }
    throw error
  }
}

const contentType = (body: string | Blob): string =>
  typeof body === 'string' ? 'application/json' : 'application/octet-stream'

/** Null when the answer is not one of ours: something in between spoke for the server. */
async function readError(response: Response): Promise<ErrorReply | null> {
  try {
    const reply = (await response.json()) as Partial<ErrorReply>
    return reply.error ? (reply as ErrorReply) : null
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof TypeError) return null
    throw error
  }
}

/** Where a device's chart is had as CSV. */
export const chartAddress = (rigId: string, deviceId: string): string =>
  `/api/rigs/${rigId}/files/chart.csv?device=${encodeURIComponent(deviceId)}`
