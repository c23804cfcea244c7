import type { Design } from '../design/types'
import type { Patch } from '../editing/edit'
import { openingName } from '../openings/registry'
import { clock } from '../people/clock'
import { presenceName, type Presence } from '../people/presence'
import { sourceName } from '../sources/registry'

/** Something that is done by hand: whether it waits for the people of the house, or keeps days and hours of its own. */
export interface ByHand {
  name: string
  /** Its own days and hours in words; null where it keeps to the house's. */
  own: string | null
  /** Makes it keep to the house's; null where it does, or cannot. */
  follow: Patch | null
}

const inWords = ({ days, fromH, untilH }: Presence): string =>
  `${presenceName(days)}, ${clock(fromH)} to ${clock(untilH)}`

/** All that is moved, lit or done by hand in a house, and when. */
export function byHand({ skin: { cover, openings }, breathe: { rowCover }, topUp: { sources } }: Design): ByHand[] {
  const kept = (name: string, its: Presence, path: string): ByHand => ({
    name,
    own: its.days === 'house' ? null : inWords(its),
    follow: its.days === 'house' ? null : [path, 'house'],
  })
  return [
    ...(cover.id !== 'none' && cover.moved === 'hand'
      ? [kept('Night cover', { ...cover, fromH: cover.thereFromH, untilH: cover.thereUntilH }, 'skin.cover.days')]
      : []),
    ...(rowCover.on ? [kept('Sheet over the beds', rowCover, 'breathe.rowCover.days')] : []),
    ...openings.flatMap((o, i) =>
      'how' in o && o.how === 'hand' ? [kept(openingName(openings, i), o, `skin.openings.${i}.days`)] : [],
    ),
    ...sources.flatMap((s, i): ByHand[] => {
      if (!s.on) return []
      const name = sourceName(sources, i)
      if (s.kind === 'people') return [kept(name, s, `topUp.sources.${i}.days`)]
      if (s.kind !== 'stove') return []
      const waits = s.lit === 'there'
      return [
        {
          name,
          own: waits ? null : 'on every evening that the forecast asks for, whoever is there',
          follow: waits ? null : [`topUp.sources.${i}.lit`, 'there'],
        },
      ]
    }),
  ]
}
