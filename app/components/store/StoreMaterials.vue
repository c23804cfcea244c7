<script setup lang="ts">
import { entry, MATERIALS } from '../../../core/catalog'
import { WATER_DENSITY, WATER_SPECIFIC_HEAT } from '../../../core/physics/constants'

/** What stores heat, by its volume and by its weight, and how much of each does what a barrel of water does. */
const settings = useSettings()
const SHOWN = ['stone', 'concrete', 'brick', 'rammed-earth', 'gabion', 'softwood'] as const
/** A barrel of water. */
const BARREL_M3 = 0.2
const water = WATER_DENSITY * WATER_SPECIFIC_HEAT
const rows = [
  { name: 'Water', perM3: water, perKg: WATER_SPECIFIC_HEAT, density: WATER_DENSITY },
  ...SHOWN.map(id => {
    const { name, density, specificHeat } = entry(MATERIALS, id)
    return { name, perM3: density * specificHeat, perKg: specificHeat, density }
  }),
].map(r => ({ ...r, m3: (BARREL_M3 * water) / r.perM3, kg: (BARREL_M3 * water) / r.perKg }))
const most = Math.max(...rows.map(r => r.perM3))
/** Heat that a barrel's like gives as it cools by so much, K. */
const FALL_K = 5
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      What stores how much
      <span class="hint font-sans font-normal"
        >as much as a barrel of {{ settings.show(BARREL_M3, 'volume') }} of water, which gives
        {{ settings.show(BARREL_M3 * water * FALL_K, 'energy') }} as it cools by
        {{ settings.show(FALL_K, 'temperatureDifference') }}</span
      >
    </h2>
    <div class="overflow-x-auto" v-sideways>
      <table class="w-full max-w-2xl" data-test="materials">
        <thead>
          <tr class="text-right">
            <td></td>
            <th scope="col" class="w-1/3 pr-4 text-left font-normal">by volume, beside water</th>
            <th scope="col" class="pr-4 font-normal">by weight, beside water</th>
            <th scope="col" class="pr-4 font-normal">volume</th>
            <th scope="col" class="font-normal">weight</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.name" class="border-t border-line text-right tabular-nums">
            <th scope="row" class="pr-4 text-left font-normal">{{ r.name }}</th>
            <td class="pr-4 text-left">
              <span
                class="mr-1 inline-block h-2.5 bg-slate align-middle"
                :style="{ width: `${(r.perM3 / most) * 60}%` }"
              ></span
              >{{ Math.round((r.perM3 / most) * 100) }} %
            </td>
            <td class="pr-4">{{ Math.round((r.perKg / WATER_SPECIFIC_HEAT) * 100) }} %</td>
            <td class="pr-4">{{ settings.show(r.m3, 'volume') }}</td>
            <td>{{ settings.show(r.kg, 'mass') }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">
      Worked out from density and specific heat. Only what the sun or warm air reaches fills; thick stone answers
      slowly.
    </p>
  </div>
</template>
