<script setup lang="ts">
import { entry, MATERIALS, VESSELS } from '../../../core/catalog'
import { makeBuilding } from '../../../core/geometry/surfaces'

const bench = useDesign()
const settings = useSettings()
const store = computed(() => bench.current.store)
const masonry = MATERIALS.filter(m => m.group === 'masonry')
const floors = MATERIALS.filter(m => m.group === 'masonry' || m.group === 'ground')
/** Named with what they hold, in the units in use. */
const vessels = computed(() => VESSELS.map(v => ({ ...v, name: `${v.name}, ${settings.show(v.volumeM3, 'volume')}` })))
const water = computed(() => store.value.barrels.count * entry(VESSELS, store.value.barrels.vessel).volumeM3)
/** Litres to a square metre of glazing, or gallons to a square foot, with the rule in the same units. */
const perArea = computed(() => {
  const glazed = makeBuilding(bench.current)
    .surfaces.filter(s => s.kind === 'glazed')
    .reduce((sum, s) => sum + s.areaM2, 0)
  const litres = (water.value * 1000) / glazed
  return settings.units === 'metric'
    ? `${Math.round(litres)} L for each m² of glazing; rule: 80 to 200`
    : `${(litres / 40.746).toFixed(1)} gal for each ft² of glazing; rule: 2 to 5`
})
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">Water</h2>
      <DesignField
        path="store.barrels.count"
        :hint="
          store.barrels.count > 0
            ? `${settings.show(water, 'volume')} in all, ${perArea}.`
            : 'Rule: 80 to 200 L for each m² of glazing (2 to 5 US gal for each ft²).'
        "
      />
      <DesignField path="store.barrels.vessel" :options="vessels" />
      <DesignField path="store.barrels.colour" />
    </div>
    <div>
      <h2 class="group-title">Where it stands</h2>
      <DesignField path="store.barrels.place" />
      <DesignField path="store.barrels.stack" />
      <DesignField path="store.barrels.raisedM" />
    </div>
    <div>
      <h2 class="group-title">Wall and floor</h2>
      <DesignField path="store.massWall.material" :options="masonry" />
      <DesignField path="store.massWall.thicknessM" />
      <DesignField path="store.floor.material" :options="floors" />
      <DesignField path="store.floor.thicknessM" label="Floor thickness" />
    </div>
  </div>
</template>
