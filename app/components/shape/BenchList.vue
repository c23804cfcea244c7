<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { freeBench } from '../../../core/editing'

/** Benches: add, change, take out. */
const bench = useDesign()
const benches = computed(() => bench.current.shape.benches)
const MONTHS = MONTH_NAMES.map((name, i) => ({ id: String(i + 1), name }))
const SIZES = ['atM', 'widthM', 'heightM', 'lengthM', 'offsetM'] as const
function add(): void {
  const made = freeBench(bench.current)
  if (made) bench.edit([['shape.benches', [...benches.value, made]]], 'add benches')
  else useNotices().tell('info', 'There is no free floor for another bench. Move or narrow one first.')
}
const takeOut = (i: number) =>
  bench.edit([['shape.benches', benches.value.filter((_, k) => k !== i)]], 'remove benches')
</script>

<template>
  <div>
    <h2 class="group-title">
      Benches <span class="hint font-sans font-normal">drag them on the section and the plan</span>
    </h2>
    <ul class="grid gap-y-2">
      <li v-for="(_, i) in benches" :key="i" class="grid grid-cols-2 items-end gap-x-4 gap-y-1 md:grid-cols-3">
        <DesignField
          v-for="name in SIZES"
          :key="name"
          :path="`shape.benches.${i}.${name}`"
          :label="name === 'atM' ? `Bench ${i + 1} from the sunny wall` : undefined"
        />
        <DesignField :path="`shape.benches.${i}.fromMonth`" :options="MONTHS" />
        <DesignField :path="`shape.benches.${i}.untilMonth`" :options="MONTHS" />
        <button class="button quiet justify-self-start" :aria-label="`Take out bench ${i + 1}`" @click="takeOut(i)">
          ×
        </button>
      </li>
    </ul>
    <button v-if="benches.length < 6" class="button mt-1" data-test="add-benches" @click="add">Add a bench</button>
  </div>
</template>
