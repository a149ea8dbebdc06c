import { factsOf } from '#core/history'
import { doEdit, type Rig } from '#core/rig'
import { USUAL_SCHEDULE } from '#shared/contract/backups'
import type { LoggedEdit } from '#shared/contract/rigs'
import { errorReply, type ErrorCode } from '#shared/errors'
import type { Answer, RigServer } from '../rigServer'

const refusal = (code: ErrorCode): Answer<never> => ({ kind: 'refused', error: errorReply(code).error })

const HOLDS = { controllers: 0, devices: 0, sounds: 0, banks: 0, switches: 0 }

/**
 * A server of one rig in memory, for tests: the same rules, no wire. `isAway` cuts it off, `isDeaf` loses its
 * answers to edits, `refusing` is why it takes none.
 */
export function memoryServer(
  rigId: string,
  start: Rig,
): RigServer & { isAway: boolean; isDeaf: boolean; refusing: ErrorCode | null; readonly rig: () => Rig } {
  let rig = start
  const log: LoggedEdit[] = []
  const revision = () => log.length + 1
  const changedAt = new Date(0).toISOString()

  const server = {
    isAway: false,
    isDeaf: false,
    refusing: null as ErrorCode | null,
    rig: () => rig,
    list: () =>
      answer(() => ({
        rigs: [{ id: rigId, name: 'Test rig', revision: revision(), changedAt, holds: HOLDS }],
      })),
    create: async () => refusal('internal'),
    importFile: async () => refusal('invalidFile'),
    importAll: async () => refusal('invalidFile'),
    session: () => answer(() => ({ hasSignIn: false })),
    signOut: () => answer(() => null),
    remove: () => answer(() => null),
    load: (id: string) =>
      id === rigId ? answer(() => ({ id, revision: revision(), changedAt, rig })) : missing(),
    history: () => answer(() => ({ revision: revision(), revisions: [] })),
    named: () => answer(() => ({ named: [] })),
    nameRevision: () => answer(() => null),
    then: async () => refusal('noSuchRevision'),
    facts: (_: string, since: number) =>
      answer(() => ({
        revision: revision(),
        facts: log.filter((one) => one.revision > since).flatMap(factsOf),
      })),
    deleted: () => answer(() => ({ rigs: [] })),
    bringBack: async () => refusal('noSuchRig'),
    forget: async () => refusal('noSuchRig'),
    backups: () => answer(() => ({ folder: null, schedule: USUAL_SCHEDULE, kept: [], fault: null })),
    makeBackup: async () => refusal('noBackupFolder'),
    scheduleBackups: () => answer(() => null),
    restore: async () => refusal('invalidBackup'),
    postFloor: () => answer(() => ({ followers: 0 })),
    since: (_: string, since: number) =>
      answer(() => ({ revision: revision(), edits: log.filter((one) => one.revision > since) })),
    post: async (_: string, posted: { id: string; edit: LoggedEdit['edit'] }) => {
      if (server.isAway) return { kind: 'away' } as const
      const again = log.find(({ id }) => id === posted.id)
      if (again)
        return { kind: 'done', value: { revision: again.revision, changedAt, latest: revision() } } as const
      if (server.refusing) return refusal(server.refusing)
      const applied = doEdit(rig, posted.edit)
      if (!applied.ok) return refusal(applied.refusal.code === 'stale' ? 'stale' : 'invalidEdit')
      rig = applied.value.rig
      log.push({ id: posted.id, edit: applied.value.edit, revision: log.length + 2, at: changedAt })
      if (server.isDeaf) return { kind: 'away' } as const
      return { kind: 'done', value: { revision: revision(), changedAt, latest: revision() } } as const
    },
  }
  const answer = async <Value>(value: () => Value): Promise<Answer<Value>> =>
    server.isAway ? { kind: 'away' } : { kind: 'done', value: value() }
  const missing = async () => refusal('noSuchRig')
  return server
}
