import { entry, MATERIALS, type Material } from '../catalog'
import type { Design } from '../design/types'

/** The ground that a house stands in: the soil that is named, with the conductivity that was found for it. */
export function groundOf({ soil, soilConductivity }: Pick<Design['site'], 'soil' | 'soilConductivity'>): Material {
  const named = entry(MATERIALS, soil)
  return soilConductivity === null ? named : { ...named, conductivity: soilConductivity }
}
