import { entry, NIGHT_COVERS } from '../catalog'
import { MOST_VISITS } from '../people/presence'
import type { Move } from './move'

/** Drawn over every pane that keeps no cover of its own. */
const COVER = 'quilt'
const THICKER = 'thick-quilt'
const BOARDS = 'shutter'

/** By then the winter sun is up over most of the world. */
const MORNING_H = 9

const resistance = (id: string) => entry(NIGHT_COVERS, id).resistance

/** Moves of the night cover, and of what is drawn over the beds. */
export const COVER_MOVES: readonly Move[] = [
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
    id: 'shutters',
    group: 'cover',
    words: 'Take foam shutters for the night cover',
    of: ({ skin }) => (resistance(skin.cover.id) >= resistance(BOARDS) ? null : [['skin.cover.id', BOARDS]]),
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
    id: 'cover-motor',
    group: 'cover',
    words: 'Let a motor move the cover, so that no night is forgotten',
    of: ({ skin }) =>
      skin.cover.id === 'none' || skin.cover.moved === 'motor' ? null : [['skin.cover.moved', 'motor']],
  },
  {
    id: 'cover-morning',
    group: 'cover',
    words: `Let somebody come for an hour at ${MORNING_H} o’clock to open the cover`,
    of: ({ skin, breathe: { people } }) => {
      const { id, moved, days } = skin.cover
      if (id === 'none' || moved === 'motor' || days !== 'house' || people.visits.length >= MOST_VISITS) return null
      const isSeen = people.visits.some(v => v.days === 'every day' && v.fromH <= MORNING_H && v.untilH > MORNING_H)
      if (isSeen) return null
      const visit = { who: '', days: 'every day' as const, fromH: MORNING_H, untilH: MORNING_H + 1 }
      return [['breathe.people.visits', [...people.visits, visit]]]
    },
  },
  {
    id: 'cover-shades',
    group: 'cover',
    words: 'Draw the cover as shade on hot days too',
    of: ({ skin }) => (skin.cover.id === 'none' || skin.cover.shades ? null : [['skin.cover.shades', true]]),
  },
  {
    id: 'row-cover',
    group: 'cover',
    words: 'Lay a sheet over the beds on cold nights',
    of: ({ breathe, shape }) =>
      breathe.rowCover.on || shape.beds.length === 0 ? null : [['breathe.rowCover.on', true]],
  },
]
