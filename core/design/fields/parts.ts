/** Parts of a section, from the sunny foot over the ridge to the pole-side foot. */
export const CHAIN_CHOICES = [
  { id: 'kneeWall', name: 'knee wall' },
  { id: 'front', name: 'front' },
  { id: 'sunnySlope', name: 'sunny slope' },
  { id: 'poleSlope', name: 'pole slope' },
  { id: 'lowerPoleSlope', name: 'lower pole slope' },
  { id: 'backWall', name: 'back wall' },
] as const

/** Parts of a skin: of its section, and its ends. */
export const PART_CHOICES = [
  ...CHAIN_CHOICES,
  { id: 'eastEnd', name: 'east end' },
  { id: 'westEnd', name: 'west end' },
] as const
export type PartId = (typeof PART_CHOICES)[number]['id']
export type PartName = (typeof PART_CHOICES)[number]['name']
