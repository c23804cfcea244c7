import { entry, MATERIALS } from '../catalog'
import type { Layer } from '../design/types'
import { nameIn, type Show } from '../units'
import type { Surface } from '../geometry/surfaces'

export const layerName = (l: Layer): string =>
  l.material === 'own' ? (l.own?.name ?? 'own material') : entry(MATERIALS, l.material).name

/** A layer with its thickness. */
export const layerText = (l: Layer, show: Show): string => `${layerName(l)}, ${show(l.thicknessM, 'thickness')}`

/** What a piece of the skin is made of, from outside to inside. */
export const makeText = ({ glazing, layers }: Surface, show: Show): string =>
  glazing ? nameIn(glazing.name, show) : layers.map(l => layerText(l, show)).join('; ') || 'nothing'
