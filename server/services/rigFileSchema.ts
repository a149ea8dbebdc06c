import * as z from 'zod/mini'
import { rigFileSchema } from '#core/rig'

/** JSON Schema (draft 2020-12) of the rig file, made from the same schema that reads it. */
export const rigFileJsonSchema = () => z.toJSONSchema(rigFileSchema, { target: 'draft-2020-12', io: 'input' })
