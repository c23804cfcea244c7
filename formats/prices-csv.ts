import Papa from 'papaparse'
import { PRICE_GROUPS, PRICE_ITEMS } from '../core/catalog'
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
const MOST = 1e6

/** Prices out of a CSV as it is written here; only those that are said to be one's own, or where nothing says. */
export function readPricesCsv(text: string): PricesRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true })
  const column = meta.fields?.find(f => f.startsWith('price'))
  if (!meta.fields?.includes('id') || !column)
    return {
      ok: false,
      message: 'The table has no columns “id” and “price”. Allowed: a price book as it is saved here.',
    }
  const prices: { id: string; each: number }[] = []
  for (const [i, row] of data.entries()) {
    const id = (row.id ?? '').trim()
    if (!PRICE_ITEMS.some(p => p.id === id))
      return {
        ok: false,
        message: `Line ${i + 2}: “${id}” is in no price book. Allowed: the ids as they are saved here.`,
      }
    if (row.known === 'rough') continue
    const each = Number(row[column]!.replace(',', '.'))
    if (row[column]!.trim() === '' || !Number.isFinite(each) || each < 0 || each > MOST)
      return { ok: false, message: `Line ${i + 2}: “${row[column]}” is no price. Allowed: a number from 0 to ${MOST}.` }
    prices.push({ id, each })
  }
  return { ok: true, prices: [...new Map(prices.map(p => [p.id, p])).values()] }
}
