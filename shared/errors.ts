import { assertNever } from '#core/base'
import { formatPath, type Path, type Problem, type RigFileRefusal } from '#core/rig'
import { problemText } from './problemText'

/** Every way a request can be refused: its HTTP status and what the reader is told. docs/errors.md shows the same table. */
export const ERRORS = {
  badRequest: { status: 400, message: 'The request is not in the expected form.' },
  notSignedIn: { status: 401, message: 'You are not signed in here, or no longer.' },
  wrongPassphrase: { status: 401, message: 'This is not the passphrase.' },
  crossSite: { status: 403, message: 'Only pages of this server may read or change its rigs.' },
  notFound: { status: 404, message: 'There is nothing at this address.' },
  noSuchRig: { status: 404, message: 'This rig is not on the server. It may have been deleted.' },
  noBackupFolder: {
    status: 404,
    message: 'The database is not on this server, so backups have no folder here. Save them as files.',
  },
  noSuchRevision: { status: 404, message: 'This rig never had that revision.' },
  nothingToPrint: {
    status: 404,
    message: 'This rig has nothing to print there yet: strips need switches, a set sheet needs a show.',
  },
  stale: {
    status: 409,
    message: 'The rig has changed since this edit was made. Take the new state and try again.',
  },
  idTaken: { status: 409, message: 'Another edit of this rig already has this id. Nothing was changed.' },
  lengthRequired: { status: 411, message: 'The request must say how long it is.' },
  tooBig: { status: 413, message: 'This is larger than the server takes.' },
  wrongHost: {
    status: 421,
    message:
      'The server does not go by this name. Open it by its own address, or list the name in WIRE_STEP_HOSTS.',
  },
  invalidEdit: {
    status: 422,
    message: 'The rig would not be valid after this edit, so nothing was changed.',
  },
  invalidFile: { status: 422, message: 'This file cannot be read as a rig, so nothing was changed.' },
  invalidBackup: { status: 422, message: 'This backup cannot be relied on, so nothing was changed.' },
  tooManyRequests: { status: 429, message: 'Too many requests. Wait a little and try again.' },
  internal: { status: 500, message: 'The server failed. Nothing was changed. Its log says why.' },
  storageBroken: {
    status: 500,
    message:
      'The database is damaged or no database of Wire Step. Put a backup in its place: npm run restore.',
  },
  storageNewer: {
    status: 500,
    message: 'The database was written by a newer version of Wire Step. Start that version.',
  },
  unavailable: { status: 503, message: 'The server is busy or starting. Try again in a moment.' },
  busy: { status: 503, message: 'Another program is using the database. It is tried again by itself.' },
  storageReadOnly: { status: 503, message: 'The database cannot be written: it is read-only here.' },
  storageFault: { status: 503, message: 'The disk with the database does not read or write.' },
  storageGone: {
    status: 503,
    message:
      'The database file was deleted or replaced while the server ran. End the server and start it again.',
  },
  storageAway: { status: 503, message: 'The database does not answer.' },
  storageRefused: {
    status: 503,
    message: 'The database refuses this server. Its token is wrong or has expired.',
  },
  backupFailed: { status: 507, message: 'The backup was not made. Older ones are still there.' },
  storageFull: { status: 507, message: 'The disk with the database is full. Make room on it.' },
} as const satisfies Record<string, { status: number; message: string }>

export type ErrorCode = keyof typeof ERRORS

/** One thing wrong, and where: `path` as a reader would write it, "" for the whole. */
export interface Fault {
  readonly path: string
  readonly reason: string
}

/** The body of every refusal. */
export interface ErrorReply {
  readonly error: {
    readonly code: ErrorCode
    readonly message: string
    readonly faults?: readonly Fault[]
    /** The rig's current revision, with `stale`. */
    readonly revision?: number
    /** The most bytes taken, with `tooBig`. */
    readonly limit?: number
  }
}

export type ErrorFacts = Omit<ErrorReply['error'], 'code' | 'message'>

export const errorReply = (code: ErrorCode, facts: ErrorFacts = {}): ErrorReply => ({
  error: { code, message: ERRORS[code].message, ...facts },
})

/** The most faults one reply lists. */
const FAULTS_MAX = 20

export const faultsOf = (problems: readonly Problem[]): Fault[] =>
  problems.slice(0, FAULTS_MAX).map((problem) => fault(problem.path, problemText(problem)))

const fault = (path: Path, reason: string): Fault => ({ path: formatPath(path), reason })

/** What is wrong with a rig file, as faults. */
export function rigFileFaults(refusal: RigFileRefusal): Fault[] {
  switch (refusal.code) {
    case 'notJson':
      return [fault([], `It is not JSON, or it was cut short: ${refusal.reason}.`)]
    case 'notARigFile':
      return [fault(['format'], 'It is not a rig file of this program: "format" should be "wire-step-rig".')]
    case 'wrongVersion':
      return [
        fault(
          ['version'],
          `It is of version ${refusal.found}; this program reads versions up to ${refusal.known}.`,
        ),
      ]
    case 'invalid':
      return faultsOf(refusal.problems)
    default:
      return assertNever(refusal)
  }
}
