<script setup lang="ts">
import { bodyName } from '../../../core/bodies/registry'
import { entry, FUELS } from '../../../core/catalog'
import { aSource, SOURCE_KINDS, sourceKind, sourceName, type SourceKindId } from '../../../core/sources/registry'

/** Heaters and whatever else adds heat and light: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const { open, put, takeOut, pathsOf, set } = useKindList('topUp.sources', 'source')
const topUp = computed(() => bench.current.topUp)
const sources = computed(() => topUp.value.sources)

const listed = computed(() =>
  sources.value.map((s, i) => {
    const answer = year.view?.answers.sources[i]
    const line = sourceKind(s).line(s, settings.show)
    return {
      i,
      name: sourceName(sources.value, i),
      line: s.on ? line : `not in use: ${line}`,
      // Figures of a year that is being worked out may be of another list.
      figures: s.on && answer && answer.kind === s.kind ? figuresOf(answer) : null,
    }
  }),
)
function figuresOf({ kWh, peakW, hours, bought }: NonNullable<typeof year.view>['answers']['sources'][number]): string {
  if (hours === 0) return 'Brings nothing this year.'
  const paid = bought
    ? `; ${settings.show(bought.amount, 'count')} ${bought.unit}, about ` +
      `${topUp.value.currency} ${Math.round(bought.cost)}`
    : ''
  return (
    `Brings ${settings.show(kWh * 3.6e6, 'energy')} a year in ${Math.round(hours)} hours, ` +
    `${settings.show(peakW, 'power')} at most${paid}.`
  )
}

const fields = computed(() => {
  const source = sources.value[open.value]
  if (!source) return []
  const kind = sourceKind(source)
  const idle = new Set(['kind', ...kind.idle(source)])
  return pathsOf(Object.keys(kind.fields.fields).filter(name => !idle.has(name)))
})
function options(path: string) {
  if (!path.endsWith('.body')) return undefined
  const { bodies } = bench.current.store
  return [
    { id: '', name: 'the first that holds water' },
    ...bodies.map((_, i) => ({ id: String(i), name: bodyName(bodies, i) })),
  ]
}
/** A fuel's rough price comes along with it. */
const change = (path: string, value: unknown) =>
  path.endsWith('.fuel')
    ? bench.edit(
        [
          [path, value],
          [path.replace(/fuel$/, 'pricePerKWh'), entry(FUELS, value as string).roughPrice],
        ],
        path,
      )
    : set(path, value)

const FULL = ['There are as many as there can be.', 'Take one out first.'] as const
const add = (kind: string) => put(aSource(kind as SourceKindId), `add ${kind}`, ...FULL)
const duplicate = (i: number) => put({ ...sources.value[i]! }, 'duplicate source', ...FULL)
</script>

<template>
  <KindList
    v-model="open"
    title="What adds heat and light"
    hint="heaters work in the order of their set points; those of one set point in the order of the list"
    empty="Nothing: the sun and the store do it all."
    one="source"
    :items="listed"
    :kinds="SOURCE_KINDS"
    :fields="fields"
    :options="options"
    :set="change"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
