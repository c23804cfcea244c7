import { entry, GAPS, GLAZINGS } from '../catalog'
import { choice, count, entryOf, length, orNull } from '../design/field'

/** What the leaves of an opening are made of. */
const MADE = [
  { id: 'sheet', name: 'as the part that it is let into' },
  { id: 'glazed', name: 'glazed' },
  { id: 'timber', name: 'boards' },
  { id: 'panel', name: 'panel with foam in it' },
  { id: 'fabric', name: 'fabric' },
] as const
export type LeafMade = (typeof MADE)[number]['id']

const HINGES = [
  { id: 'top', name: 'at the top' },
  { id: 'bottom', name: 'at the foot' },
  { id: 'side', name: 'at a side' },
] as const

/** How well a leaf shuts, by what its edge leaks for each metre. */
const SHUTS = [
  { id: 'sealed', name: 'on a seal' },
  { id: 'usual', name: 'without a seal' },
  { id: 'loose', name: 'with a gap all round' },
] as const
export type Shuts = (typeof SHUTS)[number]['id']

/** Effective leakage area at 4 Pa of a metre of edge, m². */
const EDGE_M2: Record<Shuts, number> = {
  sealed: entry(GAPS, 'vent-sealed').areaM2,
  usual: entry(GAPS, 'vent-edge').areaM2,
  // A gap of 3 mm, as boards have that shrink and warp: twice and a half what meets its frame.
  loose: 2.5 * entry(GAPS, 'vent-edge').areaM2,
}
/** What a class of tightness, or a fan test, has counted in of the edges of what opens. */
const COUNTED: Record<string, Shuts> = { tight: 'sealed', usual: 'usual', old: 'usual' }

/**
 * Leakage area that an opening's edge adds to the leaks of the house, m² at 4 Pa: by how much its class goes beyond
 * the edges that the house's own class has in mind. A test has counted what is there.
 */
export function edgeLeakM2(shuts: Shuts | null, edgeM: number, leakage: string): number {
  const counted = COUNTED[leakage]
  return shuts === null || counted === undefined ? 0 : edgeM * (EDGE_M2[shuts] - EDGE_M2[counted])
}
/** What sealing an edge for a winter saves, m². */
export const edgeSavedM2 = (shuts: Shuts | null, edgeM: number): number =>
  edgeM * (EDGE_M2[shuts ?? 'usual'] - EDGE_M2.sealed)

export const made = (start: LeafMade) => choice(MADE, { start, label: 'Its leaf is' })
export const shuts = orNull(choice(SHUTS, { label: 'It shuts' }), {
  start: null,
  label: 'It shuts',
  about: 'null: as the tightness of the house says',
})
export const leafGlazing = orNull(entryOf(GLAZINGS, { label: 'Glazing' }), {
  start: null,
  label: 'Glazing',
  about: 'of what is glazed of it; null: the house’s',
})
/** Flaps: what they are made of, how they shut, on which side they hang and how far they swing. */
export const flapFields = {
  leaf: made('panel'),
  glazing: leafGlazing,
  shuts,
  hinge: choice(HINGES, { start: 'top', label: 'Hinged' }),
  strokeM: length(0.02, 3, {
    start: 0.45,
    step: 0.05,
    label: 'Its free edge swings out by',
    about: 'with its size this gives the free area',
  }),
}
export const offsetM = length(-50, 50, {
  start: 0,
  label: 'Off the middle',
  hint: 'To the east (+) or west (−); on an end to the pole (+) or the sun (−).',
})
/** Leaves of one size in a row. */
export const rowFields = (widthM: number, heightM: number, evenly: 'spread' | 'together' = 'spread') => ({
  count: count(1, 60, { start: 1, label: 'How many in a row' }),
  widthM: length(0.1, 20, { start: widthM, label: 'Width of each' }),
  heightM: length(0.05, 6, { start: heightM, label: 'Height of each', about: 'up its part' }),
  evenly: choice(
    [
      { id: 'spread', name: 'spread along the part' },
      { id: 'together', name: 'side by side' },
    ] as const,
    { start: evenly, label: 'They stand' },
  ),
  offsetM,
})

/** What a leaf weighs, kg/m². A sheet of glazing about as boards. */
const WEIGHS: Record<LeafMade, number> = { sheet: 8, glazed: 8, timber: 11, panel: 9, fabric: 2 }
/** A wax piston moves so much leaf, m², and lifts so much of it, kg. Makers' figures for single arms. */
const WAX_M2 = 2
const WAX_KG = 15
/** Openers for a row of flaps: each leaf has its own, and a large or heavy one several. */
export const openersFor = (leaf: LeafMade, count: number, leafM2: number): number =>
  count * Math.max(1, Math.ceil(leafM2 / WAX_M2 - 1e-9), Math.ceil((leafM2 * WEIGHS[leaf]) / WAX_KG - 1e-9))

/**
 * Free area of a row of flaps when they stand wide open, m²: the clear opening, or what the stroke leaves between frame
 * and leaf, a strip along the free edge and a triangle at each side.
 */
export const flapFreeM2 = (o: { count: number; widthM: number; heightM: number; strokeM: number }): number =>
  o.count * Math.min(o.widthM * o.heightM, o.strokeM * (o.widthM + o.heightM))

/** The most leaves of a width that stand along a run, each with a post beside it. */
export const POST_M = 0.1
export const mostAlong = (runM: number, widthM: number): number =>
  Math.max(1, Math.floor((runM + 1e-9) / (widthM + POST_M)))

/**
 * A row of flaps that comes as near to a free area as fits along a run: of a height, each no wider than one can handle.
 */
export function rowFor(
  areaM2: number,
  runM: number,
  heightM: number,
  widestM = WIDEST_M,
): { count: number; widthM: number } {
  const wanted = areaM2 / heightM
  const count = Math.max(1, Math.ceil(wanted / widestM - 1e-9))
  const fits = Math.min(count, mostAlong(runM, LEAST_WIDE_M))
  const room = runM / fits - POST_M
  const cm = (v: number) => Math.max(0.1, Math.floor(v * 100 + 1e-6) / 100)
  return { count: fits, widthM: cm(Math.min(wanted / fits, room, widestM)) }
}
/** A leaf wider than this is hard to handle, m. */
export const WIDEST_M = 1.2
/** Narrower than this none is put in unasked, m. */
export const LEAST_WIDE_M = 0.4
