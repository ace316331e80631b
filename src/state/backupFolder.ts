import { notedExport } from '../data/backup'
import { database } from '../data/database'
import { written } from './exporting'

/** What browsers that let pages write into a folder give for one (File System Access API). */
type Folder = FileSystemDirectoryHandle & {
  queryPermission?: (asked: { mode: 'readwrite' }) => Promise<PermissionState>
  requestPermission?: (asked: { mode: 'readwrite' }) => Promise<PermissionState>
}
type Picker = { showDirectoryPicker?: (asked: { mode: 'readwrite'; id: string }) => Promise<Folder> }

/** Where the folder is kept: a handle of the browser's own, of use in this browser only. */
const KEY = 'backup folder'
const WRITING = { mode: 'readwrite' } as const

export const canPickFolder = (): boolean => 'showDirectoryPicker' in window

const stored = async () => (await database.session.get(KEY))?.value as Folder | undefined

/** The folder that backups go to: its name, and whether the browser lets them be written without asking again. */
export type BackupFolder = { name: string; allowed: boolean }

export async function backupFolder(): Promise<BackupFolder | null> {
  const folder = await stored()
  if (!folder) return null
  const state = (await folder.queryPermission?.(WRITING)) ?? 'granted'
  return { name: folder.name, allowed: state === 'granted' }
}

/** Lets the grower pick a folder; false where none was picked. */
export async function pickFolder(page: Picker = window as Picker): Promise<boolean> {
  const folder = await page.showDirectoryPicker?.({ ...WRITING, id: 'kilim' }).catch((error: unknown) => {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined
    throw error
  })
  if (folder) await database.session.put({ key: KEY, value: folder })
  return folder !== undefined
}

/** Asks the browser once more to let backups be written: after it was closed it forgets that it did. */
export const allowFolder = async (): Promise<boolean> =>
  ((await (await stored())?.requestPermission?.(WRITING)) ?? 'granted') === 'granted'

export const leaveFolder = () => database.session.delete(KEY)

/** The file of a garden in the folder: one for each day, so that a bad day does not take the place of a good one. */
const nameOf = (garden: string, today: Date) =>
  `${garden} ${[today.getFullYear(), today.getMonth() + 1, today.getDate()].map((part) => String(part).padStart(2, '0')).join('-')}.kilim.json`

/** Writes a garden into the folder, and counts it as exported. Gives the file's name; null where there is no folder to write to. */
export async function writeBackup(gardenId: string, today = new Date()): Promise<string | null> {
  const folder = await stored()
  if (!folder || !(await backupFolder())?.allowed) return null
  const { text, name } = await written(gardenId)
  const fileName = nameOf(name, today)
  const file = await folder.getFileHandle(fileName, { create: true })
  // What is written replaces the file when it is closed, whole or not at all.
  const stream = await file.createWritable()
  try {
    await stream.write(text)
  } catch (error) {
    await stream.abort()
    throw error
  }
  await stream.close()
  await notedExport(database, gardenId)
  return fileName
}
