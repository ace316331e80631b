/** Hands a text, or bytes, to the browser as a file to keep. */
export function download(name: string, type: string, content: BlobPart): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([content], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
