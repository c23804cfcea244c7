import { computed, toRaw } from 'vue'
import { leafNames } from '../../core/design'
import type { GroupField } from '../../core/design/field'
import type { Show } from '../../core/fans/kind'
import { useKindList } from './useKindList'
import { inSeason } from '../../core/editing/season'
import { useDesign } from '../stores/design'
import { useSettings } from '../stores/settings'

/** What a panel asks of the kinds of a list of devices. */
interface Devices<T extends { kind: string }> {
  of: (thing: { kind: string }) => { fields: GroupField; line: (thing: never, show: Show) => string }
  name: (things: readonly { kind: string }[], index: number) => string
  fresh: (kind: never) => T
}

/**
 * A list of devices as its panel shows it: air stores, fans, sources. Each has its line and, of the year, its figures;
 * any can be added; how one is made fresh, in this house, `devices.fresh` says.
 * @param path of the list, as in `breathe.fans`
 * @param thing as drawings call one
 * @param figures one's year in a sentence
 * @param idle fields that do nothing as one stands
 */
export function useDevices<T extends { kind: string }, A extends { kind: string }>(
  path: string,
  thing: string,
  devices: Devices<T>,
  answers: () => readonly A[] | undefined,
  figures: (answer: A) => string,
  idle: (one: T) => readonly string[] = () => [],
) {
  const { show } = useSettings()
  const bench = useDesign()
  const { list, open, put, takeOut, pathsOf, set } = useKindList(path, thing)
  const things = computed(() => list.value as readonly T[])
  const listed = computed(() =>
    things.value.map((one, i) => {
      const answer = answers()?.[i]
      const off = 'on' in one && one.on === false
      const line = devices.of(one).line(one as never, show)
      return {
        i,
        name: devices.name(things.value, i),
        line: off ? `not in use: ${line}` : line,
        // Figures of a year that is being worked out may be of another list.
        figures: !off && answer?.kind === one.kind ? figures(answer) : null,
      }
    }),
  )
  const fields = computed(() => {
    const one = things.value[open.value]
    if (!one) return []
    const without = new Set(['kind', ...idle(one)])
    return pathsOf(leafNames(devices.of(one).fields).filter(name => !without.has(name)))
  })
  const FULL = ['There are as many as there can be.', 'Take one out first.'] as const
  const add = (kind: string) =>
    put(inSeason(devices.fresh(kind as never), bench.current.site.latitudeDeg), `add ${kind}`, ...FULL)
  const duplicate = (i: number) => put(structuredClone(toRaw(things.value[i]!)), `duplicate ${thing}`, ...FULL)
  return { things, open, listed, fields, add, duplicate, takeOut, set }
}
