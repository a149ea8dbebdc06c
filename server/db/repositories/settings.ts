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

/** Null when it was never set. */
export async function findSetting({ db }: Database, name: string): Promise<string | null> {
  const [row] = await db.select().from(settings).where(eq(settings.name, name))
  return row?.value ?? null
}

export const putSetting = ({ write }: Database, name: string, value: string): Promise<unknown> =>
  write((tx) =>
    tx
      .insert(settings)
      .values({ name, value })
      .onConflictDoUpdate({ target: settings.name, set: { value } })
      .run(),
  )
