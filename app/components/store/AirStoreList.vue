<script setup lang="ts">
import {
  AIR_STORE_KINDS,
  airStoreKind,
  airStoreName,
  anAirStore,
  type AirStoreKindId,
} from '../../../core/air-stores/registry'
import { leafNames } from '../../../core/design'

/** Ground and rock that a fan blows air through: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const { open, put, takeOut, pathsOf, set } = useKindList('store.airStores', 'air store')
const stores = computed(() => bench.current.store.airStores)

const t = (c: number) => settings.show(c, 'temperature')
const energy = (kWh: number) => settings.show(kWh * 3.6e6, 'energy')
const listed = computed(() =>
  stores.value.map((s, i) => {
    const answer = year.view?.answers.airStores[i]
    const line = airStoreKind(s).line(s, settings.show)
    return {
      i,
      name: airStoreName(stores.value, i),
      line: s.on ? line : `not in use: ${line}`,
      // Figures of a year that is being worked out may be of another list.
      figures: s.on && answer && answer.kind === s.kind ? figuresOf(answer) : null,
    }
  }),
)
function figuresOf(a: NonNullable<typeof year.view>['answers']['airStores'][number]): string {
  if (a.hours === 0) return 'Its fan never runs this year.'
  const stands = a.coldestC === null ? '' : `; stands between ${t(a.coldestC)} and ${t(a.warmestC!)}`
  return `Runs ${a.hours} hours a year, takes ${energy(a.tookKWh)}, gives ${energy(a.gaveKWh)}${stands}.`
}
const fields = computed(() => {
  const store = stores.value[open.value]
  return store ? pathsOf(leafNames(airStoreKind(store).fields).filter(name => name !== 'kind')) : []
})
const FULL = ['There are as many as there can be.', 'Take one out first.'] as const
const add = (kind: string) => put(anAirStore(kind as AirStoreKindId), `add ${kind}`, ...FULL)
const duplicate = (i: number) => put(structuredClone(toRaw(stores.value[i]!)), 'duplicate air store', ...FULL)
</script>

<template>
  <KindList
    v-model="open"
    title="Air through ground and rock"
    hint="a fan carries the day’s heat down and the night’s up"
    empty="None: warm air is let out by day."
    one="air-store"
    :items="listed"
    :kinds="AIR_STORE_KINDS"
    :fields="fields"
    :set="set"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
