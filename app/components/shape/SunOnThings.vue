<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { MONTH_NAMES } from '../../../core/climate'
import { litParts, sectionLight } from '../../../core/geometry/lit'
import { isSlope } from '../../../core/geometry/parts'
import { shadingOf } from '../../../core/geometry/shading'
import { makeBuilding } from '../../../core/geometry/surfaces'
import type { SunHours } from '../../../core/optics/sun-hours'
import { sectionRays } from '~/composables/useSectionRays'

/** What the noon sun of the two design days lights, and how long the sun stands on each thing, month by month. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const m = (v: number) => settings.show(v, 'length')
const building = computed(() => makeBuilding(bench.current))
const shading = computed(() => shadingOf(bench.current.shape, building.value.outline))
const noons = computed(() =>
  sectionRays(bench.current, year.view, null, 12).map(ray => ({
    ray,
    parts: ray.profileDeg === null ? [] : litParts(sectionLight(building.value, shading.value, ray.profileDeg)),
  })),
)
/** Not the glazing itself, nor the roof. */
const faces = computed(() => {
  const above = building.value.surfaces.filter(s => s.kind === 'glazed' || (s.part && isSlope(s.part)))
  const left = new Set<string>(above.map(s => s.id))
  return [...new Set(noons.value.flatMap(n => n.parts.map(p => p.face)))].filter(f => !left.has(f))
})
function lit(n: (typeof noons.value)[number], face: string): string {
  const p = n.parts.find(x => x.face === face)
  if (!p) return 'in shade'
  return p.high - p.low > 0.02
    ? `lit from ${m(Math.max(0, p.low))} to ${m(p.high)} up`
    : `lit from ${m(p.from)} to ${m(p.to)} across`
}
const hours = shallowRef<SunHours[]>([])
const usual = ref(false)
const failure = ref('')
let asked = 0
/** The hours are asked for once the hand rests. */
watchDebounced(
  () => bench.current,
  async design => {
    const mine = ++asked
    try {
      const got = await year.sunHours(design)
      if (mine === asked) hours.value = got
      failure.value = ''
    } catch (error) {
      failure.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true, debounce: 300 },
)
onBeforeUnmount(() => {
  asked = -1
})
const most = computed(() => Math.max(1, ...hours.value.flatMap(h => h.clear)))
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
    <div>
      <h2 class="group-title">What the noon sun lights</h2>
      <p v-if="faces.length === 0" class="hint">The noon sun of neither design day comes in.</p>
      <table v-else class="w-full text-sm" data-test="lit-heights">
        <thead>
          <tr>
            <td />
            <th v-for="n in noons" :key="n.ray.kind" scope="col" class="pr-2 text-left font-normal">
              {{ n.ray.kind === 'hot' ? 'warmest' : 'coldest' }} month’s noon, sun at
              {{ n.ray.altitudeDeg.toFixed(0) }}°
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in faces" :key="f" class="border-t border-line">
            <th scope="row" class="pr-2 text-left font-semibold">
              {{ f }}
            </th>
            <td v-for="n in noons" :key="n.ray.kind" class="pr-2">
              {{ lit(n, f) }}
            </td>
          </tr>
        </tbody>
      </table>
      <template v-if="bench.current.shape.form !== 'dome'">
        <h2 class="group-title mt-3">A strip of shade for the mass</h2>
        <ShadeSolver />
      </template>
    </div>
    <div>
      <h2 class="group-title flex flex-wrap items-baseline justify-between gap-2">
        Hours of sun a day
        <label class="flex items-center gap-1 font-sans text-sm font-normal"
          ><input v-model="usual" type="checkbox" /> with this site’s clouds</label
        >
      </h2>
      <p v-if="failure" class="fault" role="alert">
        {{ failure }}
      </p>
      <div class="overflow-x-auto" v-sideways>
        <table class="w-full text-sm" data-test="sun-hours">
          <thead>
            <tr>
              <td />
              <th v-for="name in MONTH_NAMES" :key="name" scope="col" class="px-0.5 font-normal">
                {{ name.slice(0, 3) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="h in hours" :key="h.name">
              <th scope="row" class="pr-2 text-left font-normal whitespace-nowrap">
                {{ h.name }}
              </th>
              <td
                v-for="(v, i) in usual ? h.usual : h.clear"
                :key="i"
                class="px-1 text-right"
                :style="{
                  background: `color-mix(in srgb, var(--sun-fill) ${Math.round((v / most) * 100)}%, transparent)`,
                }"
              >
                {{ v.toFixed(1) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="hint">
        Direct sun through the glazing in the middle of each month, the skyline’s shade left out. An hour in which a
        third of a thing is lit counts for a third: tops of beds and benches, the sunny face of mass.
      </p>
    </div>
  </div>
</template>
