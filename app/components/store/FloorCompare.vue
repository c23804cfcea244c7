<script setup lang="ts">
import { floorChoices } from '../../../core/study/floors'
import { formatNumber } from '../../../core/units'

/** Floors side by side for the year: what foam under a slab saves, and what it takes away. */
const bench = useDesign()
const settings = useSettings()
const briefs = useBriefs(floorChoices)
const t = (c: number) => settings.show(c, 'temperature')
const HEADS = [
  'coldest night',
  'coldest soil of the beds',
  'its coldest month',
  'hottest afternoon',
  'heat bought',
  'bought a year',
  'costs',
]
const money = (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}`
const rows = computed(() => briefs.found.value)
</script>

<template>
  <div class="mt-3">
    <h2 class="group-title">
      Floors compared
      <span class="hint font-sans font-normal">foam keeps heat from the earth, and the earth’s from the house</span>
    </h2>
    <BriefBar
      ask="Work out each floor’s year"
      test="floors"
      :state="briefs.state"
      :stale="briefs.stale.value"
      :ready="rows.length > 0"
      @start="briefs.start"
      @cancel="briefs.cancel"
    />
    <div v-if="rows.length > 0" class="overflow-x-auto">
      <table data-test="floors">
        <thead>
          <tr class="text-right">
            <td></td>
            <th v-for="h in HEADS" :key="h" scope="col" class="pl-5 font-normal">{{ h }}</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in rows" :key="f.id" class="border-t border-line text-right whitespace-nowrap tabular-nums">
            <th scope="row" class="text-left font-normal">{{ f.words }}</th>
            <td class="pl-5">{{ t(f.brief.coldestC) }}</td>
            <td class="pl-5">{{ t(f.brief.soilC) }}</td>
            <td class="pl-5">{{ t(f.brief.soilMonthC) }}</td>
            <td class="pl-5">{{ t(f.brief.hottestC) }}</td>
            <td class="pl-5">{{ settings.show(f.brief.heatKWh * 3.6e6, 'energy') }}</td>
            <td class="pl-5">{{ money(f.brief.aYear) }}</td>
            <td class="pl-5">{{ money(f.brief.cost) }}</td>
            <td class="pl-5">
              <button class="button quiet" @click="bench.replace(f.design, 'take floor')">Lay it</button>
            </td>
          </tr>
          <tr v-if="briefs.now.value" class="border-t border-ink text-right whitespace-nowrap tabular-nums">
            <th scope="row" class="text-left">This house</th>
            <td class="pl-5">{{ t(briefs.now.value.coldestC) }}</td>
            <td class="pl-5">{{ t(briefs.now.value.soilC) }}</td>
            <td class="pl-5">{{ t(briefs.now.value.soilMonthC) }}</td>
            <td class="pl-5">{{ t(briefs.now.value.hottestC) }}</td>
            <td class="pl-5">{{ settings.show(briefs.now.value.heatKWh * 3.6e6, 'energy') }}</td>
            <td class="pl-5">{{ money(briefs.now.value.aYear) }}</td>
            <td class="pl-5">{{ money(briefs.now.value.cost) }}</td>
            <td></td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
