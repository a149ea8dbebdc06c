import * as z from 'zod/mini'
import { EDIT_BYTES_MAX, editSchema, nameSchema, RIG_BYTES_MAX, type Edit, type Rig } from '#core/rig'

/** The most bytes of an edit and of a rig file. */
export const EDIT_LIMIT = EDIT_BYTES_MAX + 200
export const RIG_FILE_LIMIT = RIG_BYTES_MAX
/** The most bytes of an archive of rigs. */
export const ALL_RIGS_LIMIT = 64_000_000

/** GET /api/rigs */
export interface RigListReply {
  readonly rigs: readonly RigSummary[]
}

export interface RigSummary {
  readonly id: string
  readonly name: string
  readonly revision: number
  /** ISO 8601, UTC. */
  readonly changedAt: string
  /** How many rows it has of each. */
  readonly holds: RigHolds
}

export interface RigHolds {
  readonly controllers: number
  readonly devices: number
  readonly sounds: number
  readonly banks: number
  readonly switches: number
}

/** POST /api/rigs: an empty rig of a name, the demo, or a copy of a rig there is. */
export const createRigSchema = z
  .strictObject({
    name: z.optional(nameSchema),
    from: z.optional(z.literal('demo')),
    copyOf: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
  })
  .check(
    z.refine((asked) => Object.values(asked).filter((one) => one !== undefined).length === 1, {
      path: ['name'],
      message: 'one of name, from and copyOf',
    }),
  )

export type CreateRig = z.infer<typeof createRigSchema>

/** POST /api/all-rigs.zip */
export interface CreatedRigsReply {
  readonly rigs: readonly CreatedReply[]
}

/** POST /api/rigs and POST /api/rigs/file */
export interface CreatedReply {
  readonly id: string
  readonly revision: number
}

/** GET /api/rigs/:id */
export interface RigReply {
  readonly id: string
  readonly revision: number
  readonly changedAt: string
  readonly rig: Rig
}

/** POST /api/rigs/:id/edits. `id` is made by the sender: the same edit sent twice is done once. */
export const postEditSchema = z.strictObject({
  id: z.string().check(z.regex(/^[A-Za-z0-9_-]{1,40}$/)),
  edit: editSchema,
})

export interface PostEdit {
  readonly id: string
  readonly edit: Edit
}

/** An edit as it is stored. */
export interface RevisionReply {
  readonly revision: number
  readonly changedAt: string
  /** The newest revision there is: beyond `revision` where the edit was stored before, and others came after it. */
  readonly latest: number
}

/** GET /api/rigs/:id/edits?since=N: what came after revision N, oldest first, at most 500. */
export interface EditLogReply {
  readonly revision: number
  readonly edits: readonly LoggedEdit[]
}

/** GET /api/rigs/deleted */
export interface DeletedRigsReply {
  readonly rigs: readonly DeletedRig[]
}

export interface DeletedRig {
  readonly id: string
  readonly name: string
  readonly revision: number
  readonly deletedAt: string
}

export interface LoggedEdit extends PostEdit {
  readonly revision: number
  readonly at: string
}

export const sinceSchema = z.object({
  since: z._default(z.pipe(z.coerce.number(), z.int().check(z.gte(0))), 0),
})

/** GET /api/rigs/:id/files/chart.csv?device=ID */
export const paperQuerySchema = z.object({
  paper: z._default(z.literal(['a4', 'letter']), 'a4'),
  /** What was proven, as {@link stampText} writes it. */
  stamp: z.optional(z.string().check(z.maxLength(80))),
})

export const chartQuerySchema = z.object({ device: z.string().check(z.minLength(1), z.maxLength(40)) })
