<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { RANGES, withBackWall, withBreak, withForm, withKneeWall, withRidge, withWidth, type Bed, type Form } from '../../../core/design'
import { turnWords } from '../../../core/geometry/compass'

const bench = useDesign()
const shape = computed(() => bench.current.shape)
const FORMS: { id: Form, name: string, path: string }[] = [
  { id: 'shed', name: 'Shed', path: 'M3 27 V20 L33 5 V27 Z' },
  { id: 'gable', name: 'Gable', path: 'M3 27 V18 L18 6 L33 18 V27 Z' },
  { id: 'saltbox', name: 'Saltbox', path: 'M3 27 V20 L24 5 L33 12 V27 Z' },
  { id: 'gambrel', name: 'Gambrel', path: 'M3 27 V20 L8 10 L18 5 L28 10 L33 20 V27 Z' },
  { id: 'a-frame', name: 'A-frame', path: 'M3 27 L18 4 L33 27 Z' },
  { id: 'arch', name: 'Arch', path: 'M3 27 V22 Q5 6 25 5 L33 10 V27 Z' },
  { id: 'lean-to', name: 'Lean-to', path: 'M3 27 V20 L29 6 V27 Z M29 6 V1 M33 1 V27' },
  { id: 'dome', name: 'Dome', path: 'M3 27 V22 Q5 6 18 5 Q31 6 33 22 V27 Z' },
]
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const facing = computed(() => turnWords(bench.current.site.latitudeDeg, shape.value.turnDeg))

function addBed(): void {
  const beds = shape.value.beds
  const width = 0.9
  // The first stretch of floor that is free.
  for (let at = 0.15; at + width <= shape.value.widthM; at += 0.05) {
    const bed: Bed = { atM: Math.round(at * 100) / 100, widthM: width, heightM: 0.4 }
    if (beds.every(b => bed.atM >= b.atM + b.widthM || bed.atM + width <= b.atM)) {
      bench.edit([['shape.beds', [...beds, bed]]], 'add bed')
      return
    }
  }
  useNotices().tell('info', 'There is no free floor for another bed 0.9 m wide. Move or narrow one first.')
}
</script>

<template>
  <div class="step-grid shape-grid">
    <div>
      <RadioGroup :model-value="shape.form" @update:model-value="bench.setShape(withForm(shape, $event), 'form')">
        <RadioGroupLabel as="h2" class="group-title">
          Form
        </RadioGroupLabel>
        <div class="flex flex-wrap gap-1.5">
          <RadioGroupOption v-for="f in FORMS" :key="f.id" v-slot="{ checked }" :value="f.id" as="template">
            <div class="cursor-pointer rounded border p-1.5 text-center text-sm" :class="checked ? 'border-ink bg-(--choice) text-(--choice-ink)' : 'border-line bg-paper'" :data-test="`form-${f.id}`">
              <svg width="36" height="30" aria-hidden="true"><path :d="f.path" fill="none" stroke="currentColor" stroke-width="2" stroke-linejoin="round" /></svg>
              <span class="block">{{ f.name }}</span>
            </div>
          </RadioGroupOption>
        </div>
      </RadioGroup>
      <div class="mt-2">
        <QuantityField label="Length along the ridge" quantity="length" :value="shape.lengthM" :min="RANGES['shape.lengthM'][0]" :max="RANGES['shape.lengthM'][1]" :set="set('shape.lengthM')" />
      </div>
    </div>
    <AngleScale />
    <div>
      <h2 class="group-title flex items-baseline justify-between">
        Turn <span class="font-sans text-base font-semibold" data-test="facing">{{ facing }}</span>
      </h2>
      <QuantityField
        label="Sunny side turned to the east (+) or west (−)" quantity="angle" :value="shape.turnDeg" :min="-90" :max="90" :slide="1" hint="True compass, not magnetic. 10 to 25° to the morning side warms earlier."
        :set="set('shape.turnDeg')"
      />
    </div>
    <div class="col-span-full">
      <h2 class="group-title">
        Dimensions <span class="hint font-sans font-normal">inside; or drag and type them on the drawing</span>
      </h2>
      <div class="grid grid-cols-2 gap-3 md:grid-cols-5">
        <QuantityField label="Width" quantity="length" :value="shape.widthM" :min="RANGES['shape.widthM'][0]" :max="RANGES['shape.widthM'][1]" :set="v => bench.setShape(withWidth(shape, v), 'width')" />
        <QuantityField label="Knee wall" quantity="length" :value="shape.kneeWallM" :min="0" :max="RANGES['shape.kneeWallM'][1]" :set="v => bench.setShape(withKneeWall(shape, v), 'knee wall')" />
        <QuantityField label="Ridge height" quantity="length" :value="shape.ridgeHeightM" :min="RANGES['shape.ridgeHeightM'][0]" :max="RANGES['shape.ridgeHeightM'][1]" :set="v => bench.setShape(withRidge(shape, v), 'ridge')" />
        <template v-if="shape.form === 'saltbox' || shape.form === 'arch'">
          <QuantityField label="Ridge from the sunny wall" quantity="length" :value="shape.ridgeAtM" :min="RANGES['shape.ridgeAtM'][0]" :max="shape.widthM - 0.2" :set="v => bench.setShape(withRidge(shape, shape.ridgeHeightM, v), 'ridge place')" />
          <QuantityField label="Back wall" quantity="length" :value="shape.backWallM" :min="0.2" :max="shape.ridgeHeightM" :set="v => bench.setShape(withBackWall(shape, v), 'back wall')" />
        </template>
        <template v-if="shape.form === 'gambrel'">
          <QuantityField label="Break from the sunny wall" quantity="length" :value="shape.breakAtM" :min="0.1" :max="shape.widthM / 2 - 0.1" :set="v => bench.setShape(withBreak(shape, v, shape.breakHeightM), 'break')" />
          <QuantityField label="Break height" quantity="length" :value="shape.breakHeightM" :min="shape.kneeWallM" :max="shape.ridgeHeightM" :set="v => bench.setShape(withBreak(shape, shape.breakAtM, v), 'break')" />
        </template>
        <QuantityField
          v-if="shape.form !== 'a-frame'" label="Floor below the ground outside" quantity="length" :value="shape.sunkM" :min="0" :max="shape.kneeWallM" hint="No deeper than the knee wall: glass does not stand in earth."
          :set="set('shape.sunkM')"
        />
        <template v-if="shape.form !== 'dome'">
          <QuantityField label="Eave over the glazing" quantity="length" :value="shape.overhangM" :min="0" :max="RANGES['shape.overhangM'][1]" :set="set('shape.overhangM')" />
          <QuantityField label="Shade strip inside its top" quantity="length" :value="shape.shadeStripM" :min="0" :max="RANGES['shape.shadeStripM'][1]" :set="set('shape.shadeStripM')" />
        </template>
        <template v-if="shape.form === 'lean-to'">
          <QuantityField label="House wall, height" quantity="length" :value="shape.house.heightM" :min="shape.ridgeHeightM" :max="RANGES['shape.house.heightM'][1]" :set="set('shape.house.heightM')" />
          <QuantityField label="Air in the house" quantity="temperature" :value="shape.house.airC" :min="RANGES['shape.house.airC'][0]" :max="RANGES['shape.house.airC'][1]" :set="set('shape.house.airC')" />
        </template>
      </div>
    </div>
    <div v-if="shape.form !== 'dome'" class="col-span-full">
      <h2 class="group-title">
        A strip of shade for the mass
      </h2>
      <ShadeSolver />
    </div>
    <div class="col-span-full">
      <h2 class="group-title">
        Beds
      </h2>
      <ul class="grid gap-x-6 gap-y-1 xl:grid-cols-2">
        <li v-for="(bed, i) in shape.beds" :key="i" class="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
          <QuantityField :label="`Bed ${i + 1} from the sunny wall`" quantity="length" :value="bed.atM" :min="0" :max="20" :set="set(`shape.beds.${i}.atM`)" />
          <QuantityField label="wide" quantity="length" :value="bed.widthM" :min="RANGES['bed.widthM'][0]" :max="RANGES['bed.widthM'][1]" :set="set(`shape.beds.${i}.widthM`)" />
          <QuantityField label="high" quantity="length" :value="bed.heightM" :min="0" :max="RANGES['bed.heightM'][1]" :set="set(`shape.beds.${i}.heightM`)" />
          <button class="button quiet" :aria-label="`Take out bed ${i + 1}`" @click="bench.edit([['shape.beds', shape.beds.filter((_, k) => k !== i)]], 'remove bed')">
            ×
          </button>
        </li>
      </ul>
      <button v-if="shape.beds.length < 6" class="button mt-1" @click="addBed">
        Add a bed
      </button>
    </div>
  </div>
</template>

<style scoped>
@media (min-width: 901px) {
  .step-grid.shape-grid { grid-template-columns: minmax(0, 1fr) minmax(0, 1.75fr) minmax(0, 1fr) !important; }
}
</style>
