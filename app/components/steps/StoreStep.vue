<script setup lang="ts">
import { kindOf } from '../../../core/bodies/registry'
import { WATER_RULE } from '../../../core/sums/book/rules'
import { makeBuilding } from '../../../core/geometry/surfaces'

const TABS = [
  { id: 'bodies', name: 'Water and stone' },
  { id: 'air', name: 'Air through the ground' },
  { id: 'floor', name: 'Wall and floor' },
  { id: 'materials', name: 'Materials' },
  { id: 'sums', name: 'Rules and sums' },
] as const
const bench = useDesign()
const drawing = useDrawing()
const tab = ref(0)
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'body') tab.value = 0
  },
)
const settings = useSettings()
const building = computed(() => makeBuilding(bench.current))
/** Water in all, m³. */
const water = computed(() =>
  bench.current.store.bodies.reduce((sum, b, i) => {
    const box = building.value.objects.find(o => o.kind === 'body' && o.index === i)!
    return sum + kindOf(b).waterM3(b, box)
  }, 0),
)
/** Litres to a square metre of glazing, or gallons to a square foot, with the rule in the same units. */
const perArea = computed(() => {
  const glazed = building.value.surfaces.filter(s => s.kind === 'glazed').reduce((sum, s) => sum + s.areaM2, 0)
  const litres = (water.value * 1000) / glazed
  return settings.units === 'metric'
    ? `${Math.round(litres)} L for each m² of glazing; rule: ${WATER_RULE.least} to ${WATER_RULE.most}`
    : `${(litres / 40.746).toFixed(1)} gal for each ft² of glazing; rule: 2 to 5`
})
</script>

<template>
  <StepTabs v-model="tab" :tabs="TABS" label="Parts of the store">
    <template #bodies>
      <div class="px-4 py-3">
        <BodyList />
        <p class="hint mt-1" data-test="water-in-all">
          Water:
          {{
            water > 0
              ? `${settings.show(water, 'volume')} in all, ${perArea}.`
              : 'none. Rule: 80 to 200 L for each m² of glazing (2 to 5 US gal for each ft²).'
          }}
        </p>
      </div>
    </template>
    <template #air>
      <div class="px-4 py-3">
        <AirStoreList />
      </div>
    </template>
    <template #floor>
      <div class="px-4 py-3">
        <LiningList class="mb-3" />
        <FloorZones />
        <FloorCompare />
      </div>
    </template>
    <template #materials>
      <StoreMaterials />
    </template>
    <template #sums>
      <SumBook step="store" />
    </template>
  </StepTabs>
</template>
