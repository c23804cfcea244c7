<script setup lang="ts">
import { RANGES } from '../../../core/design'

const bench = useDesign()
const set = (path: string) => (v: number) => bench.edit([[path, v]])
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">
        What the air may do
      </h2>
      <QuantityField
        label="Lowest air inside" quantity="temperature" :value="bench.current.aim.lowestAirC" :min="RANGES['aim.lowestAirC'][0]" :max="RANGES['aim.lowestAirC'][1]" :slide="0.5"
        hint="Hardy leaves bear a light frost; cool crops want 2 °C, fruiting ones 10 °C, tropicals suffer below 7 to 10 °C." :set="set('aim.lowestAirC')"
      />
    </div>
    <div>
      <h2 class="group-title">
        &nbsp;
      </h2>
      <QuantityField
        label="Highest air inside" quantity="temperature" :value="bench.current.aim.highestAirC" :min="RANGES['aim.highestAirC'][0]" :max="RANGES['aim.highestAirC'][1]" :slide="0.5"
        hint="Most crops stop setting fruit above 32 to 35 °C; above 38 °C people are at risk." :set="set('aim.highestAirC')"
      />
    </div>
    <p class="hint max-w-sm self-center">
      The aim is the dashed line in the year below and the mark against which the coldest night is read.
    </p>
  </div>
</template>
