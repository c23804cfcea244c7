<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { laidOn, MOVES } from '../../../core/moves/registry'

/** When the air is damp, where water condenses, and what would help most, each tried for a year. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const damp = computed(() => year.view?.answers.damp ?? null)
const most = computed(() => Math.max(1, ...(damp.value?.hours ?? [])))
const told = useToldFigures()
const litres = (kg: number) => settings.show(kg / 1000, 'volume')
const helps = MOVES.filter(m => m.group === 'air')
const briefs = useBriefs(design => laidOn(design, helps, settings.show))
const found = computed(() => [...briefs.found.value].sort((a, b) => a.brief.hoursDamp - b.brief.hoursDamp))
/** The wettest months of a face, in words. */
const worst = (kg: readonly number[]) => MONTH_NAMES[kg.indexOf(Math.max(...kg))]
</script>

<template>
  <div v-if="damp" class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-2">
    <div>
      <h2 class="group-title">
        Damp hours <span class="hint font-sans font-normal">above 90 % humidity mould and blight spread</span>
      </h2>
      <div
        class="flex h-24 items-end gap-1"
        role="img"
        :aria-label="damp.hours.map((h, m) => `${MONTH_NAMES[m]} ${h} hours`).join(', ')"
        data-test="damp-months"
      >
        <span v-for="(h, m) in damp.hours" :key="m" class="flex flex-1 flex-col items-center justify-end text-xs">
          <span>{{ h }}</span>
          <span class="w-full bg-slate" :style="{ height: `${(h / most) * 54}px` }"></span>
          <span>{{ MONTH_NAMES[m]!.slice(0, 3) }}</span>
        </span>
      </div>
      <h2 class="group-title mt-3">Where water condenses</h2>
      <p v-if="damp.faces.length === 0" class="hint">Nowhere in this year.</p>
      <ul v-else data-test="damp-faces">
        <li v-for="f in damp.faces.slice(0, 8)" :key="f.name" class="flex justify-between gap-4 border-b border-line">
          <span
            >{{ f.name }} <span class="hint">most in {{ worst(f.kg) }}</span></span
          >
          <span class="whitespace-nowrap tabular-nums">{{ litres(f.total) }} a year</span>
        </li>
      </ul>
      <p class="hint">Thin evidence: take it to compare designs by.</p>
    </div>
    <div>
      <h2 class="group-title">What helps most here</h2>
      <BriefBar
        ask="Try each for a year"
        test="damp"
        :state="briefs.state"
        :stale="briefs.stale.value"
        :ready="found.length > 0"
        @start="briefs.start"
        @cancel="briefs.cancel"
      />
      <ul v-if="briefs.now.value" class="grid gap-1" data-test="damp-helps">
        <li v-for="x in found" :key="x.move.id" class="flex flex-wrap items-baseline gap-x-3 border-b border-line pb-1">
          <button class="button" @click="bench.replace(x.design, `move ${x.move.id}`)">Lay it on</button>
          <span class="min-w-0 flex-1">{{ x.words }}</span>
          <span class="basis-full tabular-nums">
            {{ told('damp', x.brief) }} damp instead of
            <span :data-figure="briefs.isScore.value ? 'damp' : null">{{ told('damp', briefs.now.value) }}</span
            >; coldest night {{ told('coldest', x.brief) }} instead of
            <span :data-figure="briefs.isScore.value ? 'coldest' : null">{{ told('coldest', briefs.now.value) }}</span>
          </span>
        </li>
      </ul>
    </div>
  </div>
</template>
