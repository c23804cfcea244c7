import { faultLine } from '../../core/design/validate'
import { unpackBook } from '../../core/season/book'

/** Why a season book can't be read; nothing where it can. */
export function bookTrouble(raw: unknown): string[] {
  try {
    const read = unpackBook(raw)
    return read.ok ? [] : read.faults.slice(0, 5).map(faultLine)
  } catch (error) {
    return [error instanceof Error ? error.message : String(error)]
  }
}
