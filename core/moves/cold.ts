import { aimLine } from '../aim/aim-line'
import { BODY_KINDS } from '../bodies/registry'
import { entry, LEAKAGE_CLASSES, NIGHT_COVERS } from '../catalog'
import { roomObjects } from '../geometry/objects'
import type { Design } from '../design/types'
import { freeBody } from '../editing'
import { ach50Of } from '../network/model'
import { aSource, isHeated, sourceKind } from '../sources/registry'
import type { Move } from './move'

/** Drawn over every pane that keeps no cover of its own. */
const COVER = 'quilt'
const THICKER = 'thick-quilt'

/** The lowest air that is asked for in any month, °C; 0 where nothing is asked. */
export function lowestAsked({ aim }: Pick<Design, 'aim'>): number {
  const lows = aimLine(aim).lowC.filter(c => c !== null)
  return lows.length > 0 ? Math.max(...lows) : 0
}

const resistance = (id: string) => entry(NIGHT_COVERS, id).resistance

/** Moves against a cold night. */
export const COLD_MOVES: readonly Move[] = [
  {
    id: 'cover',
    group: 'cover',
    words: 'Draw a quilted blanket over the glazing at night',
    of: ({ skin }) =>
      resistance(skin.cover.id) >= resistance(COVER) ? null : [['skin.cover', { ...skin.cover, id: COVER }]],
  },
  {
    id: 'thicker-cover',
    group: 'cover',
    words: 'Take a thick blanket for the night cover',
    of: ({ skin }) =>
      resistance(skin.cover.id) < resistance(COVER) || resistance(skin.cover.id) >= resistance(THICKER)
        ? null
        : [['skin.cover.id', THICKER]],
  },
  {
    id: 'tighter-cover',
    group: 'cover',
    words: 'Hold the cover’s edges in channels',
    of: ({ skin }) => (skin.cover.id === 'none' || skin.cover.fit === 'tight' ? null : [['skin.cover.fit', 'tight']]),
  },
  {
    id: 'cover-worth',
    group: 'cover',
    words: 'Open the cover only when the sun is worth more than the panes lose',
    of: ({ skin }) => (skin.cover.id === 'none' || skin.cover.rule === 'gain' ? null : [['skin.cover.rule', 'gain']]),
  },
  {
    id: 'row-cover',
    group: 'cover',
    words: 'Lay a sheet over the beds on cold nights',
    of: ({ breathe, shape }) =>
      breathe.rowCover.on || shape.beds.length === 0 ? null : [['breathe.rowCover.on', true]],
  },
  {
    id: 'tighter-house',
    group: 'tightness',
    words: 'Seal the gaps, as one who builds with care does',
    of: ({ breathe }) =>
      ach50Of(breathe) <= entry(LEAKAGE_CLASSES, 'tight').ach50 ? null : [['breathe.leakage', 'tight']],
  },
  {
    id: 'more-barrels',
    group: 'store',
    words: 'Set another row of barrels into the room',
    of: design => {
      const kind = BODY_KINDS.find(k => k.kind === 'drums')!
      const alike = design.store.bodies.find(b => b.kind === 'drums')
      const made = freeBody(design, kind, alike) ?? freeBody(design, kind)
      return made && roomObjects(design).length < 60 ? [['store.bodies', [...design.store.bodies, made]]] : null
    },
  },
  {
    id: 'stove',
    group: 'heat',
    words: 'Light a stove on the nights that are forecast to freeze hard',
    of: ({ topUp, aim }) =>
      topUp.sources.some(s => s.on && s.kind === 'stove')
        ? null
        : [['topUp.sources', [...topUp.sources, aSource('stove', { belowC: Math.min(0, lowestAsked({ aim }) - 8) })]]],
  },
  {
    id: 'heater',
    group: 'heat',
    words: 'Put in a small electric heater',
    of: ({ topUp, aim }) =>
      isHeated(topUp.sources.filter(s => s.on && sourceKind(s).thermostat(s) !== null))
        ? null
        : [
            [
              'topUp.sources',
              [
                ...topUp.sources,
                aSource('heater', {
                  capacityW: 2000,
                  setPointC: Math.max(2, lowestAsked({ aim })),
                  fuel: 'electricity',
                }),
              ],
            ],
          ],
  },
]
