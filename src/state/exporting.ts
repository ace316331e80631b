import { notedExport } from '../data/backup'
import { database } from '../data/database'
import { writeArchive, zipOf } from '../data/gardenArchive'
import { gardenText } from '../data/gardenText'
import { loadGarden, loadKept } from '../data/gardens'
import { download } from './download'
import { late } from './late'
import { notice } from './notices'

/** A garden's name as that of a file. */
export const fileNameOf = (name: string) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'garden'

/** A garden with all that belongs to it, as the text of its file. */
export async function written(gardenId: string) {
  const now = await gardenText(database, gardenId)
  if (!now) throw new Error('it is not there any more')
  const { text, data } = now
  const pictureIds = (data.pictures ?? []).map(({ id }) => id)
  return { text, name: fileNameOf(data.garden.name), pictureIds }
}

/** A garden in a zip, with its pictures or without. */
export async function zipped(gardenId: string, withPictures: boolean) {
  const { text, name, pictureIds } = await written(gardenId)
  const bytes = withPictures ? await database.pictureBytes.bulkGet(pictureIds) : []
  const archive = await writeArchive(
    text,
    bytes.filter((found) => found !== undefined),
  )
  return { archive, name }
}

/** A garden as a file: JSON, or a zip with its pictures. */
async function fileOf(gardenId: string, withPictures: boolean): Promise<File> {
  if (withPictures) {
    const { archive, name } = await zipped(gardenId, true)
    return new File([archive], `${name}.kilim.zip`, { type: 'application/zip' })
  }
  const { text, name } = await written(gardenId)
  return new File([text], `${name}.kilim.json`, { type: 'application/json' })
}

/** Whether this browser hands files to other apps of the machine. */
export const canShare = (): boolean =>
  typeof navigator.canShare === 'function' &&
  navigator.canShare({ files: [new File(['{}'], 'garden.kilim.json', { type: 'application/json' })] })

/** Hands a garden to the browser as tables for a spreadsheet and outlines for a map, in one zip. */
export async function exportTables(gardenId: string): Promise<void> {
  try {
    const data = await loadGarden(database, gardenId)
    if (!data) throw new Error('it is not there any more')
    const [{ csvOf, tablesOf }, { outlinesOf }] = await Promise.all([
      late(import('../data/tables')),
      late(import('../data/outlines')),
    ])
    const tables = tablesOf({ ...data, ...(await loadKept(database, gardenId)) })
    const zip = await zipOf([
      ...tables.map((table) => ({ name: `${table.name}.csv`, text: csvOf(table) })),
      { name: 'beds.geojson', text: outlinesOf(data) },
    ])
    download(`${fileNameOf(data.garden.name)}-tables.zip`, 'application/zip', zip)
  } catch (error) {
    failed(error)
  }
}

const failed = (error: unknown) =>
  notice.error(
    `The garden could not be exported (${error instanceof Error ? error.message : 'unknown reason'}). Reload and try again.`,
  )

/** Exports a garden to a file, or hands it to the browser's own sharing; says why where it cannot. */
export async function exportGarden(gardenId: string, withPictures: boolean, how: 'save' | 'share' = 'save') {
  try {
    const file = await fileOf(gardenId, withPictures)
    if (how === 'share') await navigator.share({ files: [file], title: file.name })
    else download(file.name, file.type, file)
    await notedExport(database, gardenId)
  } catch (error) {
    // Closed by the grower, the sharing is no failure.
    if (error instanceof DOMException && error.name === 'AbortError') return
    failed(error)
  }
}
