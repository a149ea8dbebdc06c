import { ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { usePlatform } from '~/platform/platform'
import type { Answer, Failure } from '~/platform/rigServer'
import { ALL_RIGS_LIMIT, RIG_FILE_LIMIT, type CreatedReply } from '#shared/contract/rigs'
import { errorReply } from '#shared/errors'

/** The ways a rig begins: built from nothing, the demo, a copy, a file. Each opens what it made. */
export function useRigStarts() {
  const { server } = usePlatform()
  const router = useRouter()
  const failure = shallowRef<Failure | null>(null)
  /** How many rigs the last archive brought in. */
  const brought = ref(0)

  async function open(answer: Answer<CreatedReply>, page: 'rig' | 'switches'): Promise<void> {
    failure.value = answer.kind === 'done' ? null : answer
    if (answer.kind === 'done') await router.push(`/rigs/${answer.value.id}/${page}`)
  }

  const build = async (name: string) => open(await server.create({ name: name.trim() }), 'rig')
  const copyDemo = async () => open(await server.create({ from: 'demo' }), 'switches')

  /** False when it was refused. */
  async function copy(rigId: string): Promise<boolean> {
    const answer = await server.create({ copyOf: rigId })
    failure.value = answer.kind === 'done' ? null : answer
    return answer.kind === 'done'
  }

  async function openFile(file: File): Promise<void> {
    const isArchive = /\.zip$/i.test(file.name)
    const limit = isArchive ? ALL_RIGS_LIMIT : RIG_FILE_LIMIT
    // Told here, before sending what would only be refused.
    if (file.size > limit) failure.value = { kind: 'refused', error: errorReply('tooBig', { limit }).error }
    else if (!isArchive) await open(await server.importFile(file), 'rig')
    else {
      const answer = await server.importAll(file)
      brought.value = answer.kind === 'done' ? answer.value.rigs.length : 0
      failure.value = answer.kind === 'done' ? null : answer
    }
  }

  return { failure, brought, build, copyDemo, copy, openFile }
}
