import { eq } from 'drizzle-orm'
import type { Database } from '../database'
import { settings } from '../schema'

/** A setting's value; made and stored when there is none yet, and then the same for every server that asks. */
export const settingOr = ({ write }: Database, name: string, make: () => string): Promise<string> =>
  write(async (tx) => {
    await tx.insert(settings).values({ name, value: make() }).onConflictDoNothing().run()
    const [row] = await tx.select().from(settings).where(eq(settings.name, name))
    return row!.value
  })
