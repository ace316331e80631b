import Papa from 'papaparse'
import type { Mapping } from '../core/site/file/cells'
import { fileReader, type FileReading } from '../core/site/file/read'

/** Characters parsed between two reports of progress. */
const CHUNK = 1 << 20

/** Reads a whole file of daily weather, however large, a piece at a time. */
export async function readWeatherFile(
  file: Blob,
  mapping: Mapping,
  progress?: (share: number) => void,
): Promise<FileReading> {
  const text = (await file.text()).replace(/^\uFEFF/, '')
  let reader: ReturnType<typeof fileReader> | null = null
  let header: string[] = []
  let row = 0
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(text, {
      chunkSize: CHUNK,
      chunk: ({ data, meta }: Papa.ParseResult<string[]>) => {
        for (const cells of data) {
          row++
          if (row === mapping.headerRows) header = cells
          if (row <= mapping.headerRows || cells[0]?.startsWith('#')) continue
          reader ??= fileReader(mapping, header)
          reader.row(cells, row)
        }
        progress?.(text.length > 0 ? Math.min(1, meta.cursor / text.length) : 1)
      },
      complete: () => resolve(),
      error: (error: Error) => reject(error),
    })
  })
  return (reader ?? fileReader(mapping, header)).finish()
}
