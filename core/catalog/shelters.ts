/** What stands round a house and breaks the wind. */
export interface Shelter {
  id: string
  name: string
  /** Wind coefficient of leaks of one storey, (m³/s)²/(m⁴·(m/s)²) scaled as Sherman & Grimsrud's. */
  leakWind: number
  source: string
}

const SG = 'Sherman & Grimsrud 1980; ASHRAE Fundamentals ch. 16, shielding classes of one storey'
export const SHELTERS: readonly Shelter[] = [
  { id: 'open', name: 'Open field: nothing near', leakWind: 0.000319, source: SG },
  { id: 'scattered', name: 'A tree or a shed here and there', leakWind: 0.000246, source: SG },
  { id: 'some', name: 'Some houses, hedges or a fence nearby', leakWind: 0.000174, source: SG },
  { id: 'close', name: 'Houses and trees close by on most sides', leakWind: 0.000104, source: SG },
  { id: 'yard', name: 'Shut in all round', leakWind: 0.000032, source: SG },
]

/** Of the wind's pressure in the open, what is left here, 0–1. */
export const windShare = ({ leakWind }: Shelter): number => leakWind / SHELTERS[0]!.leakWind
