import * as z from 'zod/mini'

/** How a box keeps what was set on it: by itself, when told to, or when switched off in the right way. */
export const savingSchema = z.strictObject({
  how: z.literal(['itself', 'explicit', 'powerOff']),
  /** Calling another preset throws away edits not saved. */
  losesEdits: z.boolean(),
})

/** How a box keeps what was set on it: by itself, when told to, or when switched off in the right way. */
export type Saving = Readonly<z.infer<typeof savingSchema>>
