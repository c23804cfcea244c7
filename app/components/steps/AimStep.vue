<script setup lang="ts">
import { CROPS, type CropNeeds } from '../../../core/catalog'
import type { CropMonth } from '../../../core/aim/aim-line'

const bench = useDesign()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature', { decimals: 0 })
const aim = computed(() => bench.current.aim)
const adding = ref('')
const ownName = ref('')
const addId = useId()
const ownId = useId()

const GROUPS = [...new Set(CROPS.map(c => c.group))]
const free = computed(() => CROPS.filter(c => !aim.value.crops.some(k => k.id === c.id)))

/**
 * Hardy things stand the winter; the rest begins with the warm half of the year. South of the equator the months turn.
 */
function usualMonths(hardy: boolean): CropMonth[] {
  const north = [
    'hold',
    'hold',
    'grow',
    'grow',
    'grow',
    hardy ? '' : 'grow',
    hardy ? '' : 'grow',
    hardy ? '' : 'grow',
    'grow',
    'grow',
    'hold',
    'hold',
  ] as CropMonth[]
  const months = hardy ? north : north.map(v => (v === 'hold' ? '' : v))
  return bench.current.site.latitudeDeg >= 0 ? months : months.map((_, m) => months[(m + 6) % 12]!)
}
function add(): void {
  const crop = CROPS.find(c => c.id === adding.value)
  if (!crop) return
  const hardy = crop.group === 'hardy leaves' || crop.group === 'cool crops'
  const months =
    crop.group === 'citrus' || crop.group === 'tropical'
      ? usualMonths(false).map(v => (v === '' ? ('hold' as const) : v))
      : usualMonths(hardy)
  bench.edit([['aim.crops', [...aim.value.crops, { id: crop.id, needs: null, months }]]], 'add crop')
  adding.value = ''
}
function addOwn(): void {
  const name = ownName.value.trim().slice(0, 80)
  if (!name) return
  const needs: CropNeeds = {
    name,
    survivesC: 0,
    growsC: 6,
    soilC: 8,
    highestC: 32,
    dli: 10,
    weeks: 10,
    givesWeeks: 6,
    inPots: true,
  }
  const id = `own-${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`
  const refused = bench.edit(
    [['aim.crops', [...aim.value.crops, { id, needs, months: usualMonths(false) }]]],
    'own crop',
  )
  if (refused) useNotices().tell('error', `“${name}” was not added.`, { lines: [refused] })
  else ownName.value = ''
}
</script>

<template>
  <div class="step-grid">
    <div class="col-span-full">
      <h2 class="group-title">What is to live in it, and when</h2>
      <CropCalendar />
      <div class="mt-1.5 flex flex-wrap items-end gap-x-4 gap-y-1">
        <div>
          <label :for="addId" class="block">Add from the catalogue</label>
          <select :id="addId" v-model="adding" class="input !w-56" data-test="add-crop" @change="add">
            <option value="">choose a crop …</option>
            <optgroup v-for="g in GROUPS" :key="g" :label="g">
              <option v-for="c in free.filter(k => k.group === g)" :key="c.id" :value="c.id">
                {{ c.name }}
              </option>
            </optgroup>
          </select>
        </div>
        <div>
          <label :for="ownId">Or one of your own</label>
          <div class="flex gap-1">
            <input
              :id="ownId"
              v-model="ownName"
              class="input !w-44"
              maxlength="80"
              data-test="own-crop"
              @keydown.enter="addOwn"
            />
            <button class="button" data-test="add-own" @click="addOwn">Add</button>
          </div>
        </div>
      </div>
      <BedYears />
      <CropMovers />
      <details v-if="aim.crops.length > 0" class="mt-2">
        <summary class="cursor-pointer">What each needs</summary>
        <CropNeedsFields v-for="(crop, i) in aim.crops" :key="crop.id" :crop="crop" :index="i" class="mt-1" />
      </details>
    </div>
    <div>
      <DesignField
        path="aim.lowestAirC"
        label="Lowest air inside"
        :hint="
          aim.crops.length > 0
            ? 'The crops’ own figures stand in its place.'
            : `Hardy leaves bear a light frost; cool crops want ${t(2)}, fruiting ones ${t(10)}, tropicals ` +
              `suffer below ${t(7)} to ${t(10)}.`
        "
      />
    </div>
    <div>
      <DesignField
        path="aim.highestAirC"
        label="Highest air inside"
        :hint="`Most crops stop setting fruit above ${t(32)} to ${t(35)}; above ${t(38)} people are at risk.`"
      />
    </div>
    <div>
      <DesignField
        path="aim.lowestSoilC"
        label="Lowest soil in the beds"
        hint="In every month. Water with fish has bounds of its own: at its tank or pond, under Store."
      />
    </div>
    <div>
      <DesignField path="aim.winter" />
    </div>
    <p class="hint max-w-sm self-center">
      The aim is the dashed line in the year below and the mark against which the coldest night is read.
    </p>
    <details class="col-span-full">
      <summary class="cursor-pointer">Budget, services, access</summary>
      <div class="mt-1 grid grid-cols-2 items-end gap-3 md:grid-cols-4">
        <DesignField path="aim.practical.budget" />
        <DesignField path="aim.practical.headroomM" />
        <DesignField path="aim.practical.reachM" />
        <DesignField path="aim.practical.builder" />
        <DesignField path="aim.practical.permits" />
        <DesignField path="aim.practical.power" />
        <DesignField path="aim.practical.water" />
        <DesignField path="aim.practical.wheelchair" />
      </div>
    </details>
  </div>
</template>
