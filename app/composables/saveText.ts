/** Hands a text, or the bytes of a file, to the person as a file. */
export function saveText(name: string, text: string | Uint8Array, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text as BlobPart], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 10000)
}
