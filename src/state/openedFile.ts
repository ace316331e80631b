import { useSyncExternalStore } from 'react'

/** A file that the machine opened Kilim with, until a room has taken it. */
let waiting: File | null = null
const listeners = new Set<() => void>()

const set = (file: File | null) => {
  waiting = file
  listeners.forEach((listener) => listener())
}

/** What the browser gives an installed app that a file was opened with (File Handling API). */
type LaunchQueue = {
  setConsumer: (take: (launch: { files?: readonly { getFile: () => Promise<File> }[] }) => void) => void
}

/** Takes files that the machine opens Kilim with; `toRoom` goes where they are read. Browsers without it give none. */
export function takeOpenedFiles(
  toRoom: () => void,
  page: { launchQueue?: LaunchQueue } = window as never,
): void {
  page.launchQueue?.setConsumer(({ files }) => {
    void files?.[0]?.getFile().then((file) => {
      set(file)
      toRoom()
    })
  })
}

const SHARED_CACHE = 'kilim-shared'

/** Takes the file that another app shared with Kilim: the service worker has put it by (public/shared-file.js). */
export async function takeSharedFile(toRoom: () => void, page: Window = window): Promise<void> {
  if (!new URLSearchParams(page.location.search).has('shared') || !('caches' in page)) return
  const cache = await page.caches.open(SHARED_CACHE)
  const [key] = await cache.keys()
  const found = key && (await cache.match(key))
  if (!found) return
  const name = decodeURIComponent(found.headers.get('x-file-name') ?? 'garden.kilim.json')
  const file = new File([await found.blob()], name, { type: found.headers.get('content-type') ?? '' })
  await page.caches.delete(SHARED_CACHE)
  set(file)
  toRoom()
}

/** The file that waits, and how it is taken. */
export function useOpenedFile(): { file: File | null; take: () => void } {
  const file = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => waiting,
  )
  return { file, take: () => set(null) }
}
