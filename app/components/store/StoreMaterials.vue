<script setup lang="ts">
import { BARREL_M3, FALL_K, massMaterials } from '../../../core/sums/mass-materials'
import { WATER_DENSITY, WATER_SPECIFIC_HEAT } from '../../../core/physics/constants'
import { formatNumber } from '../../../core/units'

/** What stores heat, by its volume, its weight and its price, and how much of each does what a barrel of water does. */
const settings = useSettings()
const bench = useDesign()
const rows = computed(() => massMaterials(bench.current))
const cheapest = computed(() => Math.min(...rows.value.map(r => r.perKWh)))
const money = (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}`
const energy = BARREL_M3 * WATER_DENSITY * WATER_SPECIFIC_HEAT * FALL_K
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      What stores how much
      <span class="hint font-sans font-normal"
        >as much as a barrel of {{ settings.show(BARREL_M3, 'volume') }} of water, which gives
        {{ settings.show(energy, 'energy') }} as it cools by {{ settings.show(FALL_K, 'temperatureDifference') }}</span
      >
    </h2>
    <div v-sideways class="overflow-x-auto">
      <table class="w-full max-w-4xl" data-test="materials">
        <thead>
          <tr class="text-right">
            <td></td>
            <th scope="col" class="w-1/5 pr-4 text-left font-normal">by volume, beside water</th>
            <th scope="col" class="pr-4 font-normal">by weight</th>
            <th scope="col" class="pr-4 font-normal">volume</th>
            <th scope="col" class="pr-4 font-normal">weight</th>
            <th scope="col" class="pr-4 font-normal">works to</th>
            <th scope="col" class="pr-4 font-normal">costs</th>
            <th scope="col" class="font-normal">a kWh kept overnight</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.name" class="border-t border-line text-right tabular-nums">
            <th scope="row" class="pr-4 text-left font-normal">{{ r.name }}</th>
            <td class="pr-4 text-left">
              <span
                class="mr-1 inline-block h-2.5 bg-slate align-middle"
                :style="{ width: `${r.byVolume * 60}%` }"
              ></span
              >{{ Math.round(r.byVolume * 100) }} %
            </td>
            <td class="pr-4">{{ Math.round(r.byWeight * 100) }} %</td>
            <td class="pr-4">{{ settings.show(r.m3, r.fluid ? 'volume' : 'bulk') }}</td>
            <td class="pr-4">{{ settings.show(r.kg, 'mass') }}</td>
            <td class="pr-4">{{ r.depthM === null ? 'all of it' : settings.show(r.depthM, 'thickness') }}</td>
            <td class="pr-4">{{ money(r.cost) }}</td>
            <td :class="r.perKWh === cheapest ? 'font-bold' : ''">{{ money(r.perKWh) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">
      Heat from density and specific heat; prices from the design’s price book, bought new. A day’s wave of heat works
      to the depth that is told: thicker than that answers slowly. Only what the sun or warm air reaches fills.
    </p>
  </div>
</template>
