import { largerVents } from '../editing/openings'
import { aFan } from '../fans/registry'
import type { Move } from './move'

/** Moves against damp and heat. */
export const AIR_MOVES: readonly Move[] = [
  {
    id: 'airing',
    group: 'air',
    words: 'Air an hour or two at midday in winter, and keep the vents shut else',
    of: ({ breathe }) => (breathe.airing.on ? null : [['breathe.airing.on', true]]),
  },
  {
    id: 'extract-fan',
    group: 'air',
    words: 'Put in an extract fan',
    of: ({ breathe }) =>
      breathe.fans.some(f => f.kind === 'extract fan')
        ? null
        : [['breathe.fans', [...breathe.fans, aFan('extract fan')]]],
  },
  {
    id: 'stirring-fan',
    group: 'air',
    words: 'Let a fan stir the air',
    of: ({ breathe }) =>
      breathe.fans.some(f => f.kind === 'circulating fan')
        ? null
        : [['breathe.fans', [...breathe.fans, aFan('circulating fan')]]],
  },
  {
    id: 'more-vents',
    group: 'air',
    again: true,
    words: 'Make the vents half as large again',
    of: design => {
      const openings = largerVents(design, 1.5)
      return openings ? [['skin.openings', openings]] : null
    },
  },
  {
    id: 'misting',
    group: 'air',
    words: 'Cool hot afternoons with mist',
    of: ({ breathe }) => (breathe.misting.on ? null : [['breathe.misting.on', true]]),
  },
  {
    id: 'drier-soil',
    group: 'air',
    words: 'Lay film over the soil, and water under it',
    of: ({ shape }) =>
      shape.beds.every(b => b.soilCover === 'film')
        ? null
        : [['shape.beds', shape.beds.map(b => ({ ...b, soilCover: 'film' as const }))]],
  },
  {
    id: 'warmer-glass',
    group: 'air',
    words: 'Draw a curtain under the glass at night, so that its face stays warmer',
    of: ({ skin }) => (skin.cover.id !== 'none' ? null : [['skin.cover', { ...skin.cover, id: 'thermal-screen' }]]),
  },
]
