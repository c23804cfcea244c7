import { entry } from './entry'

/** Something drawn over the glazing at night. */
export interface NightCover {
  id: string
  name: string
  /** Added resistance when it fits perfectly, m²K/W, its still-air gap included. */
  resistance: number
  /** Share of the glazing that it leaves bare at edges and seams, 0–1. */
  edgeLeak: number
  /** Water that its cloth holds, kg/m², and its resistance full of it, m²K/W. */
  holdsKgM2: number
  wetResistance: number
  /** With its wires and rollers, money per m² of glazing: a rough builder's price to compare by. */
  pricePerM2: number
  source: string
}

/*
 * Wet: fibres pass more by e^(4ψ) for a share ψ of water in their volume (ISO 10456); of a thin curtain the still air
 * behind it is left, of an aluminised one no shine either under a film of water.
 */

/**
 * What the fit of a cover makes of its kind's leak: edges in pockets or channels, as its kind usually is, or hanging
 * free.
 */
export const COVER_FITS = { tight: 0.4, usual: 1, loose: 2.5 } as const

export const NIGHT_COVERS: readonly NightCover[] = [
  {
    id: 'none',
    name: 'No cover',
    resistance: 0,
    edgeLeak: 0,
    holdsKgM2: 0,
    wetResistance: 0,
    pricePerM2: 0,
    source: 'by definition',
  },
  {
    id: 'fleece',
    name: 'Thin curtain',
    resistance: 0.22,
    edgeLeak: 0.08,
    holdsKgM2: 0.2,
    wetResistance: 0.18,
    pricePerM2: 6,
    source: 'greenhouse screen trials, typical',
  },
  {
    id: 'thermal-screen',
    name: 'Aluminised thermal curtain',
    resistance: 0.45,
    edgeLeak: 0.06,
    holdsKgM2: 0.1,
    wetResistance: 0.25,
    pricePerM2: 16,
    source: 'greenhouse screen trials, typical',
  },
  {
    id: 'quilt',
    name: 'Quilted blanket, 30 mm',
    resistance: 0.9,
    edgeLeak: 0.05,
    holdsKgM2: 1.5,
    wetResistance: 0.74,
    pricePerM2: 24,
    source: 'layer sum with one still-air gap',
  },
  {
    id: 'thick-quilt',
    name: 'Thick blanket, 60 mm',
    resistance: 1.6,
    edgeLeak: 0.05,
    holdsKgM2: 2,
    wetResistance: 1.4,
    pricePerM2: 36,
    source: 'layer sum with one still-air gap',
  },
  {
    id: 'shutter',
    name: 'Foam shutters, 50 mm',
    resistance: 1.9,
    edgeLeak: 0.04,
    holdsKgM2: 0.05,
    wetResistance: 1.85,
    pricePerM2: 60,
    source: 'layer sum with one still-air gap',
  },
]

/** A design's cover as it is fitted. */
export function fittedCover(cover: { id: string; fit: keyof typeof COVER_FITS; edgeLeak?: number | null }): NightCover {
  const kind = entry(NIGHT_COVERS, cover.id)
  return { ...kind, edgeLeak: cover.edgeLeak ?? Math.min(0.5, kind.edgeLeak * COVER_FITS[cover.fit]) }
}
