/** How tight the skin is, as air changes an hour with 50 Pa across it. */
export interface LeakageClass {
  id: string
  name: string
  ach50: number
  source: string
}

/** A kind of gap that a walk round the house finds. */
export interface Gap {
  id: string
  name: string
  /** What is counted or measured. */
  unit: 'm' | 'piece'
  /** Effective leakage area at 4 Pa for each of them, m². */
  areaM2: number
  source: string
}

const ASHRAE = 'ASHRAE Fundamentals, effective air leakage areas; rounded'
export const GAPS: readonly Gap[] = [
  { id: 'laps', name: 'Glazing laps and bars, unsealed', unit: 'm', areaM2: 1.2e-4, source: ASHRAE },
  { id: 'laps-sealed', name: 'Glazing laps and bars, taped', unit: 'm', areaM2: 0.15e-4, source: ASHRAE },
  { id: 'ridge', name: 'Ridge and eave joints without foam', unit: 'm', areaM2: 2.5e-4, source: ASHRAE },
  { id: 'sill', name: 'Sill on the foundation without a seal', unit: 'm', areaM2: 4e-4, source: ASHRAE },
  { id: 'vent-edge', name: 'Edge of a shut vent, no seal', unit: 'm', areaM2: 3e-4, source: ASHRAE },
  { id: 'vent-sealed', name: 'Edge of a shut vent, sealed', unit: 'm', areaM2: 0.8e-4, source: ASHRAE },
  { id: 'door', name: 'Door without strips', unit: 'piece', areaM2: 21e-4, source: ASHRAE },
  { id: 'door-strips', name: 'Door with strips', unit: 'piece', areaM2: 12e-4, source: ASHRAE },
  {
    id: 'louvre',
    name: 'Fan or louvre, not plugged',
    unit: 'piece',
    areaM2: 60e-4,
    source: 'shut gravity louvres, typical',
  },
  {
    id: 'louvre-plugged',
    name: 'Fan or louvre, plugged',
    unit: 'piece',
    areaM2: 5e-4,
    source: 'foam plug with a rim gap',
  },
  { id: 'pipe', name: 'Hole round a pipe or cable', unit: 'piece', areaM2: 6e-4, source: ASHRAE },
]

export const LEAKAGE_CLASSES: readonly LeakageClass[] = [
  {
    id: 'tight',
    name: 'Built with care, gaps sealed',
    ach50: 8,
    source: 'gives about 0.3–0.6 changes an hour in winter wind',
  },
  { id: 'usual', name: 'As usually built', ach50: 24, source: 'gives about 1–2 changes an hour in winter wind' },
  { id: 'old', name: 'Old or gappy', ach50: 70, source: 'gives 3 or more changes an hour in winter wind' },
]
