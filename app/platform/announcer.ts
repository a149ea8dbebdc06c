/** Tells the other tabs of this browser that a rig has a new revision. */
export interface Announcer {
  readonly announce: (news: RevisionNews) => void
  /** Returns the function that stops listening. */
  readonly listen: (heard: (news: RevisionNews) => void) => () => void
}

export interface RevisionNews {
  readonly rigId: string
  readonly revision: number
}

export function browserAnnouncer(): Announcer {
  const channel = new BroadcastChannel('wire-step')
  return {
    announce: (news) => channel.postMessage(news),
    listen: (heard) => {
      const onMessage = ({ data }: MessageEvent<RevisionNews>) => heard(data)
      channel.addEventListener('message', onMessage)
      return () => channel.removeEventListener('message', onMessage)
    },
  }
}

/** Announcers made from one of these hear each other, as tabs do. */
export function memoryAnnouncers(): () => Announcer {
  const listeners = new Set<{ heard: (news: RevisionNews) => void; owner: object }>()
  return () => {
    const owner = {}
    return {
      announce: (news) => {
        for (const listener of listeners) if (listener.owner !== owner) listener.heard(news)
      },
      listen: (heard) => {
        const listener = { heard, owner }
        listeners.add(listener)
        return () => listeners.delete(listener)
      },
    }
  }
}
