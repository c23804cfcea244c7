<script setup lang="ts">
import { entry, MATERIALS } from '../../../core/catalog'
import { RANGES, type Layer } from '../../../core/design'
import { layersResistance } from '../../../core/materials/assembly'

const props = defineProps<{ title: string, path: string, layers: Layer[] }>()
const bench = useDesign()
const settings = useSettings()

const resistance = computed(() => settings.show(layersResistance(props.layers) + 0.17, 'resistance'))
const [low, high] = RANGES['layer.thicknessM']

function setThickness(i: number, thicknessM: number): string | null {
  return bench.edit([[`${props.path}.${i}.thicknessM`, thicknessM]])
}
function setMaterial(i: number, material: string): void {
  bench.edit([[`${props.path}.${i}.material`, material]])
}
function add(): void {
  bench.edit([[props.path, [...props.layers, { material: 'eps', thicknessM: 0.05 }]]], `${props.path} add`)
}
function remove(i: number): void {
  bench.edit([[props.path, props.layers.filter((_, k) => k !== i)]], `${props.path} remove`)
}
</script>

<template>
  <fieldset class="min-w-0">
    <legend class="group-title">
      {{ title }} <span class="hint font-sans font-normal">with its air films {{ resistance }}</span>
    </legend>
    <ol class="space-y-1">
      <li v-for="(layer, i) in layers" :key="i" class="grid grid-cols-[1fr_6.5rem_auto] items-start gap-2">
        <select class="input" :value="layer.material" :aria-label="`${title}, layer ${i + 1} from outside, material`" @change="setMaterial(i, ($event.target as HTMLSelectElement).value)">
          <option v-for="m in MATERIALS" :key="m.id" :value="m.id">
            {{ m.name }}
          </option>
        </select>
        <QuantityField
          class="hide-label" :label="`${title}, ${entry(MATERIALS, layer.material).name}, thickness`" quantity="thickness" :value="layer.thicknessM" :min="low" :max="high"
          :set="v => setThickness(i, v)"
        />
        <button class="button quiet" :disabled="layers.length === 1" :aria-label="`Take out layer ${i + 1}`" @click="remove(i)">
          ×
        </button>
      </li>
    </ol>
    <button v-if="layers.length < 8" class="button mt-1" @click="add">
      Add a layer inside
    </button>
  </fieldset>
</template>

<style scoped>
.hide-label :deep(label) { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
</style>
