<script setup lang="ts">
import { withGlazingAngle } from '../../../core/editing'
import { makeOutline } from '../../../core/geometry/section'
import { shownUnit } from '../../../core/units'
import type { StudyPoint } from '~/stores/studies'

/** Glazing angle against turn: every pair a year, its colour how it does. */
const studies = useStudies()
const bench = useDesign()
const settings = useSettings()
const study = computed(() => studies.all.map)
const SHOWN = {
  coldest: {
    name: 'coldest night',
    pick: (p: StudyPoint) => p.figures.coldestC,
    say: (v: number) => settings.show(v, 'temperature', { unit: false }),
    unit: () => shownUnit('temperature', settings.units).symbol,
    good: 1,
  },
  light: {
    name: 'winter light',
    pick: (p: StudyPoint) => p.figures.winterDli,
    say: (v: number) => v.toFixed(1),
    unit: () => 'mol/m² a day',
    good: 1,
  },
  heat: {
    name: 'heat',
    pick: (p: StudyPoint) => p.figures.heatKWh,
    say: (v: number) => String(Math.round(v)),
    unit: () => 'kWh',
    good: -1,
  },
} as const
const shown = ref<keyof typeof SHOWN>('coldest')
const angles = computed(() => [...new Set(study.value.points.map(p => p.at))].sort((a, b) => a - b))
const turns = computed(() => [...new Set(study.value.points.map(p => p.across))].sort((a, b) => b - a))
const range = computed(() => {
  const values = study.value.points.map(SHOWN[shown.value].pick)
  return [Math.min(...values), Math.max(...values)] as const
})
const cell = (angle: number, turn: number) => study.value.points.find(p => p.at === angle && p.across === turn)
function shade(p: StudyPoint): string {
  const [low, high] = range.value
  const t = high - low < 1e-9 ? 0.5 : (SHOWN[shown.value].pick(p) - low) / (high - low)
  return `color-mix(in srgb, var(--moss) ${Math.round((SHOWN[shown.value].good > 0 ? t : 1 - t) * 62)}%, var(--paper))`
}
const angleNow = computed(() => makeOutline(bench.current.shape).glazingAngleDeg)
const isNow = (p: StudyPoint) =>
  Math.abs(p.at - angleNow.value) < 5 && Math.abs(p.across - bench.current.shape.turnDeg) < 10
const take = (p: StudyPoint) =>
  studies.takeShape('map', p, { ...withGlazingAngle(bench.current.shape, p.at), turnDeg: p.across }, 'take from map')
</script>

<template>
  <div>
    <StudyBar kind="map" ask="Work out angle and turn together" />
    <div v-if="study.points.length > 0" :class="studies.stale.map ? 'opacity-50' : ''">
      <fieldset class="mb-1 flex flex-wrap gap-3">
        <legend class="sr-only">What the map shows</legend>
        <label v-for="(s, id) in SHOWN" :key="id" class="flex items-center gap-1"
          ><input v-model="shown" type="radio" :value="id" /> {{ s.name }}</label
        >
      </fieldset>
      <div class="overflow-x-auto" v-sideways>
        <table class="map" data-test="map">
          <thead>
            <tr>
              <th scope="col">angle</th>
              <th v-for="t in turns" :key="t" scope="col">{{ Math.abs(t) }}°{{ t > 0 ? ' E' : t < 0 ? ' W' : '' }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="a in angles" :key="a">
              <th scope="row">{{ a }}°</th>
              <td v-for="t in turns" :key="t">
                <button
                  v-if="cell(a, t)"
                  class="w-full cursor-pointer px-1.5 py-0.5 text-right"
                  :class="isNow(cell(a, t)!) ? 'outline-2 outline-clay' : ''"
                  :style="{ background: shade(cell(a, t)!) }"
                  :aria-label="
                    `Angle ${a}°, turn ${cell(a, t)!.label}: ${SHOWN[shown].name} ` +
                    `${SHOWN[shown].say(SHOWN[shown].pick(cell(a, t)!))} ${SHOWN[shown].unit()}. Take it.`
                  "
                  @click="take(cell(a, t)!)"
                >
                  {{ SHOWN[shown].say(SHOWN[shown].pick(cell(a, t)!)) }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="hint">Greener is better. A cell can be taken; the framed one is nearest to the design.</p>
    </div>
  </div>
</template>

<style scoped>
.map {
  border-collapse: separate;
  border-spacing: 1px;
  font-size: 0.88rem;
}
.map th {
  font-weight: 400;
  padding: 0 0.4rem;
  text-align: right;
  color: var(--soft);
  white-space: nowrap;
}
</style>
