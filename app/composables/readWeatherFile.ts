import type { ReadEpw } from '../../formats/epw'

/** What a weather file (EPW) says, or why it can't be read; its reader is loaded when the first is asked for. */
export async function readWeatherFile(file: File): Promise<ReadEpw> {
  const bytes = await file.arrayBuffer()
  let text = new TextDecoder().decode(bytes)
  // Older tools write Latin-1 names.
  if (text.includes('\uFFFD')) text = new TextDecoder('latin1').decode(bytes)
  const { readEpw } = await import('../../formats/epw')
  return readEpw(text, file.name)
}
