/** What the inner face of a wall or roof is finished with. */
export interface Finish {
  id: string
  name: string
  /** Share of sunlight that it takes in, 0–1; null leaves the bare material's own. */
  solarAbsorptance: number | null
  /** Of longwave, 0–1. */
  emissivity: number
  source: string
}

export const FINISHES: readonly Finish[] = [
  { id: 'bare', name: 'Bare', solarAbsorptance: null, emissivity: 0.9, source: 'by definition' },
  {
    id: 'white',
    name: 'White paint',
    solarAbsorptance: 0.25,
    emissivity: 0.9,
    source: 'ASHRAE Fundamentals, solar absorptance of paints',
  },
  {
    id: 'foil',
    name: 'Reflecting foil',
    solarAbsorptance: 0.12,
    emissivity: 0.15,
    source: 'aluminised film, weathered indoors',
  },
  {
    id: 'dark',
    name: 'Dark paint',
    solarAbsorptance: 0.92,
    emissivity: 0.9,
    source: 'ASHRAE Fundamentals, solar absorptance of paints',
  },
]
