<script setup lang="ts">
import { COLOURS, entry, MATERIALS, VESSELS } from '../../../core/catalog'
import { RANGES } from '../../../core/design'
import { makeBuilding } from '../../../core/geometry/surfaces'

const bench = useDesign()
const settings = useSettings()
const store = computed(() => bench.current.store)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const masonry = MATERIALS.filter(m => m.group === 'masonry')
const floors = MATERIALS.filter(m => m.group === 'masonry' || m.group === 'ground')
const PLACES = [
  { id: 'back', name: 'against the back wall' },
  { id: 'middle', name: 'in the middle' },
  { id: 'sunny', name: 'behind the knee wall' },
] as const
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
      <QuantityField
        label="How many"
        quantity="count"
        :value="store.barrels.count"
        :min="0"
        :max="Math.min(60, RANGES['store.barrels.count'][1])"
        :slide="1"
        :set="set('store.barrels.count')"
        :hint="
          store.barrels.count > 0
            ? `${settings.show(water, 'volume')} in all, ${perArea}.`
            : 'Rule: 80 to 200 L for each m² of glazing (2 to 5 US gal for each ft²).'
        "
      />
      <ChoiceField
        label="Vessel"
        :value="store.barrels.vessel"
        :options="vessels"
        :set="v => bench.edit([['store.barrels.vessel', v]])"
      />
      <ChoiceField
        label="Colour"
        :value="store.barrels.colour"
        :options="COLOURS"
        :set="v => bench.edit([['store.barrels.colour', v]])"
      />
    </div>
    <div>
      <h2 class="group-title">Where it stands</h2>
      <ChoiceField
        label="Place"
        :value="store.barrels.place"
        :options="PLACES"
        :set="v => bench.edit([['store.barrels.place', v]])"
      />
      <QuantityField
        label="Stacked"
        quantity="count"
        :value="store.barrels.stack"
        :min="1"
        :max="3"
        :slide="1"
        :set="set('store.barrels.stack')"
      />
      <QuantityField
        label="Raised off the floor"
        quantity="length"
        :value="store.barrels.raisedM"
        :min="0"
        :max="RANGES['store.barrels.raisedM'][1]"
        :slide="0.05"
        :set="set('store.barrels.raisedM')"
      />
    </div>
    <div>
      <h2 class="group-title">Wall and floor</h2>
      <ChoiceField
        label="Inner face of the back wall"
        :value="store.massWall.material"
        :options="masonry"
        :set="v => bench.edit([['store.massWall.material', v]])"
      />
      <QuantityField
        label="Thickness"
        quantity="thickness"
        :value="store.massWall.thicknessM"
        :min="0"
        :max="RANGES['store.massWall.thicknessM'][1]"
        :slide="0.05"
        hint="0 leaves the wall’s own layers bare."
        :set="set('store.massWall.thicknessM')"
      />
      <ChoiceField
        label="Floor"
        :value="store.floor.material"
        :options="floors"
        :set="v => bench.edit([['store.floor.material', v]])"
      />
      <QuantityField
        label="Floor thickness"
        quantity="thickness"
        :value="store.floor.thicknessM"
        :min="0"
        :max="RANGES['store.floor.thicknessM'][1]"
        :slide="0.01"
        :set="set('store.floor.thicknessM')"
      />
    </div>
  </div>
</template>
