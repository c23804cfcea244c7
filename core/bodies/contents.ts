import { CONTENTS, entry, type Contents } from '../catalog'
import { conductivity, entryOf, group, number, startOf, text } from '../design/field'
import { STIRRING, VESSEL_WALL, type BodyChain } from './kind'

/** Fields of what a vessel or a tank is filled with. */
export const contentsFields = {
  contents: entryOf([...CONTENTS, { id: 'own', name: 'Something else' }], { start: 'water', label: 'Filled with' }),
  ownName: text(40, { start: 'own filling', label: 'Its name', about: 'of another filling' }),
  ownDensity: number('density', 50, 12000, { start: 1500, label: 'Its density' }),
  ownSpecificHeat: number('specificHeat', 100, 5000, { start: 900, label: 'Its specific heat' }),
  ownConductivity: conductivity(0, 400, {
    start: 0.5,
    label: 'Its conductivity',
    about: '0 for a liquid, which stirs itself',
  }),
}

export interface Filled {
  contents: string
  ownName: string
  ownDensity: number
  ownSpecificHeat: number
  ownConductivity: number
}

/** Filled with water, as most are. */
export const WITH_WATER = startOf(group(contentsFields, { label: '' })) as Filled

export const contentsOf = (body: Filled): Contents =>
  body.contents === 'own'
    ? {
        id: 'own',
        name: body.ownName,
        density: body.ownDensity,
        specificHeat: body.ownSpecificHeat,
        conductivity: body.ownConductivity,
        freezes: false,
        source: '',
      }
    : entry(CONTENTS, body.contents)

/** Fields that do nothing while it is filled with what the catalogue knows. */
export const idleContents = ({ contents }: Filled): readonly string[] =>
  contents === 'own' ? [] : ['ownName', 'ownDensity', 'ownSpecificHeat', 'ownConductivity']

/** Of a volume, what of it is water, m³. */
export const waterOf = (body: Filled, volumeM3: number): number => (contentsOf(body).freezes ? volumeM3 : 0)

/** What it is filled with, for lines: nothing for water, which goes without saying. */
export const filledWith = (body: Filled): string =>
  body.contents === 'water' ? '' : ` of ${contentsOf(body).name.toLowerCase()}`

/**
 * A filling behind a face. A liquid stirs itself; what lies still passes heat over its mean way to the face, its volume
 * over its area.
 * @param open share of the face that is a surface open to the air
 */
export function filledChain(body: Filled, areaM2: number, volumeM3: number, facingUp: number, open = 0): BodyChain {
  const { density, specificHeat, conductivity, freezes } = contentsOf(body)
  const passes = conductivity > 0 ? Math.min(STIRRING, (conductivity * areaM2) / volumeM3) : STIRRING
  return {
    areaM2,
    facingUp,
    capacity: [volumeM3 * density * specificHeat, VESSEL_WALL * areaM2],
    between: [passes * areaM2],
    waterKg: freezes ? volumeM3 * density : 0,
    open: conductivity > 0 ? 0 : open,
  }
}
