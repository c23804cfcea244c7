import Papa from 'papaparse'
import { PRICE_GROUPS, PRICE_ITEMS, RETIRED_PRICES } from '../core/catalog'
import type { PriceOf } from '../core/takeoff/price-book'

/** A price book as CSV: every item, with what it costs here and whether that is rough. */
export function writePricesCsv(price: PriceOf, isOwn: (id: string) => boolean, currency: string): string {
  return Papa.unparse({
    fields: ['id', 'group', 'what', 'unit', `price_${currency}`, 'known'],
    data: PRICE_ITEMS.map(p => [
      p.id,
      PRICE_GROUPS[p.group],
      p.name,
      p.unit,
      price(p.id),
      isOwn(p.id) ? 'own' : 'rough',
    ]),
  })
}

export type PricesRead = { ok: true; prices: { id: string; each: number }[] } | { ok: false; message: string }

/** So much money at most for one of anything. */
const MOST = 1e10

/** A price as it is written: 12.5, or 12,5 where commas are decimal; thousands parted by commas or spaces. */
function priceOf(cell: string, decimalComma: boolean): number | null {
  const plain = cell.trim().replace(/(?<=\d)[\u00a0\u202f ](?=\d{3}(?!\d))/g, '')
  const written = decimalComma ? /^\d{1,3}(\.\d{3})+(,\d+)?$/.test(plain) : /^\d{1,3}(,\d{3})+(\.\d+)?$/.test(plain)
  const text = written ? plain.replaceAll(decimalComma ? '.' : ',', '').replace(',', '.') : plain.replace(',', '.')
  if (!/^\d+(\.\d+)?$/.test(text)) return null
  const each = Number(text)
  return each <= MOST ? each : null
}

/**
 * Prices out of a CSV as it is written here, or as a spreadsheet saved it again; only those that are said to be one's
 * own, or where nothing says. One that could be two numbers is refused.
 */
export function readPricesCsv(text: string): PricesRead {
  const no = (message: string): PricesRead => ({ ok: false, message })
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(text.trim().replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const column = meta.fields?.find(f => f.startsWith('price'))
  if (!meta.fields?.includes('id') || !column)
    return no('The table has no columns “id” and “price”. Allowed: a price book as it is saved here.')
  const cells = data.map(row => row[column] ?? '')
  // A decimal comma shows where fewer or more than three figures follow it, or where a point parts thousands.
  const decimalComma = cells.some(
    c => /^\s*\d+,(\d{1,2}|\d{4,})\s*$/.test(c) || /^\s*\d{1,3}(\.\d{3})+,\d+\s*$/.test(c),
  )
  const decimalPoint = cells.some(c => /\.(\d{1,2}|\d{4,})\s*$/.test(c))
  const prices: { id: string; each: number }[] = []
  for (const [i, row] of data.entries()) {
    const id = (row.id ?? '').trim()
    if (RETIRED_PRICES.includes(id)) continue
    if (!PRICE_ITEMS.some(p => p.id === id))
      return no(`Line ${i + 2}: “${id}” is in no price book. Allowed: the ids as they are saved here.`)
    if (row.known?.trim() === 'rough') continue
    const cell = cells[i]!
    if (/^\s*\d{1,3},\d{3}\s*$/.test(cell) && !decimalComma && !decimalPoint) {
      const [thousands, decimals] = [cell.trim().replace(',', ''), cell.trim().replace(',', '.')]
      return no(`Line ${i + 2}: “${cell.trim()}” could be two numbers. Allowed: ${thousands} or ${decimals}.`)
    }
    const each = priceOf(cell, decimalComma)
    if (each === null) return no(`Line ${i + 2}: “${cell}” is no price. Allowed: a number from 0 to ${MOST}.`)
    prices.push({ id, each })
  }
  return { ok: true, prices: [...new Map(prices.map(p => [p.id, p])).values()] }
}
