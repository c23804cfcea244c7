<script setup lang="ts">
import { bodyName } from '../../../core/bodies/registry'
import { pricesOf } from '../../../core/takeoff/price-book'
import { pricedHere } from '../../../core/editing/currency'
import { aSource, SOURCE, SOURCES, sourceKind, type SourceKindId } from '../../../core/sources/registry'
import type { SourceAnswer } from '../../../core/source-answers'

/** Heaters and whatever else adds heat and light. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
function figures({ kWh, movedKWh, peakW, hours, bought }: SourceAnswer): string {
  if (hours === 0) return 'Brings nothing this year.'
  if (movedKWh > 0)
    return (
      `Carries ${settings.show(movedKWh * 3.6e6, 'energy')} a year in ${Math.round(hours)} hours; ` +
      `its pump uses ${settings.show(kWh * 3.6e6, 'energy')}.`
    )
  const paid = bought
    ? `; ${settings.compound(bought.amount, bought.unit, 3)}, about ` +
      `${bench.current.topUp.currency} ${Math.round(bought.cost)}`
    : ''
  return (
    `Brings ${settings.show(kWh * 3.6e6, 'energy')} a year in ${Math.round(hours)} hours, ` +
    `${settings.show(peakW, 'power')} at most${paid}.`
  )
}
const { open, listed, fields, add, duplicate, takeOut, set } = useDevices(
  'topUp.sources',
  'source',
  { ...SOURCES, fresh: (kind: SourceKindId) => pricedHere(bench.current, SOURCE, aSource(kind)) },
  () => year.view?.answers.sources,
  figures,
  s => sourceKind(s).idle(s),
)
function options(path: string) {
  if (!path.endsWith('.body')) return undefined
  const { bodies } = bench.current.store
  return [
    { id: '', name: 'the first that holds water' },
    ...bodies.map((_, i) => ({ id: String(i), name: bodyName(bodies, i) })),
  ]
}
/** A fuel's price comes along with it. */
const change = (path: string, value: unknown) =>
  path.endsWith('.fuel')
    ? bench.edit(
        [
          [path, value],
          [path.replace(/fuel$/, 'pricePerKWh'), pricesOf(bench.current)(`fuel.${value as string}`)],
        ],
        path,
      )
    : set(path, value)
</script>

<template>
  <KindList
    v-model="open"
    title="What adds heat and light"
    hint="heaters work in the order of their set points; those of one set point in the order of the list"
    empty="Nothing: the sun and the store do it all."
    one="source"
    :items="listed"
    :kinds="SOURCES.all"
    :fields="fields"
    :options="options"
    :set="change"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
