import type { H3Error } from 'h3'
import { assertNever } from '#core/base'
import { faultsOf } from '#shared/errors'
import type { PostRefusal } from '../services/edits'
import { apiError } from './apiError'

/** The reply that says why an edit was refused. */
export function postRefusalError(refusal: PostRefusal): H3Error {
  switch (refusal.code) {
    case 'noSuchRig':
    case 'idTaken':
      return apiError(refusal.code)
    case 'tooLarge':
      return apiError('tooBig', { limit: refusal.most })
    case 'stale':
      return apiError('stale', {
        revision: refusal.revision,
        faults: [
          { path: `${refusal.table}.${refusal.id}`, reason: 'It has changed since this edit was made.' },
        ],
      })
    case 'invalid':
      return apiError('invalidEdit', { revision: refusal.revision, faults: faultsOf(refusal.problems) })
    default:
      return assertNever(refusal)
  }
}
