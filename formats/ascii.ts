import { oneLine } from '../core/text/control'

/** A text in plain ASCII: accents go, letters and marks without a plain one become the nearest or a question mark. */
export function asciiText(text: string): string {
  return oneLine(text)
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/ı/g, 'i')
    .replace(/ß/g, 'ss')
    .replace(/[øØ]/g, 'o')
    .replace(/[–—−]/g, '-')
    .replace(/[‘’]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[^\x20-\x7e]/g, '?')
}
