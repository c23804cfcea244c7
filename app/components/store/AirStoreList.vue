<script setup lang="ts">
import type { AirStoreAnswer } from '../../../core/air-store-answers'
import { AIR_STORES, type AirStoreKindId } from '../../../core/air-stores/registry'
import { airStoreFor } from '../../../core/editing/air-stores'

/** Ground and rock that a fan blows air through. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature')
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
function figures(a: AirStoreAnswer): string {
  if (a.hours === 0) return 'Its fan never runs this year.'
  const stands = a.coldestC === null ? '' : `; stands between ${t(a.coldestC)} and ${t(a.warmestC!)}`
  return `Runs ${Math.round(a.hours)} hours a year, takes ${energy(a.tookKWh)}, gives ${energy(a.gaveKWh)}${stands}.`
}
const { open, listed, fields, add, duplicate, takeOut, set } = useDevices(
  'store.airStores',
  'air store',
  { ...AIR_STORES, fresh: (kind: AirStoreKindId) => airStoreFor(bench.current, kind) },
  () => year.view?.answers.airStores,
  figures,
)
</script>

<template>
  <KindList
    v-model="open"
    title="Air through ground and rock"
    hint="a fan carries the day’s heat down and the night’s up"
    empty="None: warm air is let out by day."
    one="air-store"
    :items="listed"
    :kinds="AIR_STORES.all"
    :fields="fields"
    :set="set"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  >
    <AirStoreCard :index="open" />
  </KindList>
</template>
