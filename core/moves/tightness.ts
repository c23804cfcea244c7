import { entry, LEAKAGE_CLASSES } from '../catalog'
import { ach50Of } from '../air/ach50'
import { openingKind } from '../openings/registry'
import type { Move } from './move'

const TIGHTER = 0.6
const LEAST_ACH50 = 2
const LOBBY_M2 = 2

/** Moves against leaks and open doors. */
export const TIGHTNESS_MOVES: readonly Move[] = [
  {
    id: 'tighter-house',
    group: 'tightness',
    words: 'Seal the gaps, as one who builds with care does',
    of: ({ breathe }) =>
      ach50Of(breathe) <= entry(LEAKAGE_CLASSES, 'tight').ach50 ? null : [['breathe.leakage', 'tight']],
  },
  {
    id: 'tighter-still',
    group: 'tightness',
    words: 'Find the last leaks with a fan in the door, and seal two fifths of them',
    of: ({ breathe }) => {
      const ach50 = ach50Of(breathe)
      if (ach50 > entry(LEAKAGE_CLASSES, 'tight').ach50 || ach50 * TIGHTER < LEAST_ACH50) return null
      return [
        ['breathe.leakage', 'measured'],
        ['breathe.ach50', Math.round(ach50 * TIGHTER * 10) / 10],
      ]
    },
    again: true,
  },
  {
    id: 'lobby',
    group: 'tightness',
    words: 'Build an entry lobby before the door',
    of: ({ breathe, skin }) =>
      breathe.lobby.areaM2 > 0 || !skin.openings.some(o => openingKind(o).traffic(o) !== null)
        ? null
        : [['breathe.lobby.areaM2', LOBBY_M2]],
  },
]
