<script setup lang="ts">
import { areaByCrop, bedYears, type Follower } from '../../../core/crops/in-beds'
import { plannedTold, weekName } from '../../../core/crops/told'
import { needsOf } from '../../../core/aim/aim-line'
import { listed } from '../../../core/text/listed'

/** What grows on each bed and when, what can come after it, and how much of the beds each crop has. */
const bench = useDesign()
const settings = useSettings()
const years = useCropYears()
const beds = computed(() => bedYears(bench.current, years.rows))
const area = (m2: number) => settings.show(m2, 'area')
const byCrop = computed(() => areaByCrop(beds.value).filter(a => a.name !== ''))
const options = (none: string) => [
  { id: '', name: none },
  ...bench.current.aim.crops.map(c => ({ id: c.id, name: needsOf(c).name })),
]
const thenOf = (i: number) => bench.current.shape.beds[i]?.thenCrop ?? ''
const plant = (i: number) => (crop: string) =>
  bench.edit(
    [
      [`shape.beds.${i}.crop`, crop || null],
      // Nothing comes after itself.
      ...(crop !== '' && crop === thenOf(i) ? [[`shape.beds.${i}.thenCrop`, null] as const] : []),
    ],
    `bed ${i} crop`,
  )
const plantThen = (i: number) => (crop: string) =>
  bench.edit([[`shape.beds.${i}.thenCrop`, crop || null]], `bed ${i} thenCrop`)
const thenTold = (f: Follower) =>
  `${f.row.name.toLowerCase()} (${plannedTold(f.sowing)}; the bed is free until ${weekName(f.until + 1)})`
</script>

<template>
  <details v-if="years.rows.length > 0 && beds.length > 0" class="mt-2" data-test="bed-years">
    <summary class="cursor-pointer">Bed by bed, and what can follow</summary>
    <p v-if="byCrop.length > 0" class="mt-1">
      Of the beds: {{ listed(byCrop.map(a => `${area(a.areaM2)} ${a.name.toLowerCase()}`)) }}.
    </p>
    <ul class="mt-1 grid gap-1">
      <li v-for="(b, i) in beds" :key="b.name" class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1">
        <ChoiceField
          :label="`${b.name}, ${area(b.areaM2)}`"
          :value="bench.current.shape.beds[i]?.crop ?? ''"
          :options="options('nothing said')"
          :set="plant(i)"
          class="w-44"
        />
        <ChoiceField
          v-if="b.row && !b.row.perennial"
          label="after it"
          :value="thenOf(i)"
          :options="options('nothing').filter(o => o.id !== b.row?.id)"
          :set="plantThen(i)"
          :data-test="`then-${i}`"
          class="w-44"
        />
        <span class="min-w-60 flex-1">
          <template v-if="!b.row">Planted all year, with what is not said.</template>
          <template v-else-if="b.row.perennial">{{ b.row.name }}, for years.</template>
          <template v-else-if="b.sowings.length === 0"
            >{{ b.row.name }} does not ripen in the months asked for.</template
          >
          <template v-for="(s, k) in b.sowings" v-else :key="k">
            {{ b.row.name }}: {{ plannedTold(s.sowing) }}.
            <template v-if="s.then.length > 0"
              >Then {{ b.second ? 'comes' : 'may come' }} {{ s.then.map(thenTold).join(', or ') }}.{{ ' ' }}</template
            >
            <template v-else-if="b.second">{{ b.second.name }} finds no weeks of its own after it.{{ ' ' }}</template>
          </template>
        </span>
      </li>
    </ul>
  </details>
</template>
