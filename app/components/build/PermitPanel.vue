<script setup lang="ts">
import { makeBuilding } from '../../../core/geometry/surfaces'
import { permitSheet } from '../../../core/plan/permit'

/** What a building office asks, as far as the design knows it; what others have to say stays open. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const sheet = useTemplateRef<{ print: () => Promise<void> }>('sheet')
const PLOT = ['sunnyM', 'poleM', 'eastM', 'westM', 'buildingM', 'drainNote'] as const
const lines = computed(() => {
  const { current } = bench
  const frostM = current.site.survey.frostDepthM || (year.view?.frostDepthM ?? 0)
  return permitSheet(current, makeBuilding(current), frostM, settings.show)
})
</script>

<template>
  <div class="max-w-3xl px-4 py-3">
    <div class="flex flex-wrap items-baseline gap-2">
      <h2 class="group-title mr-auto">
        For the building office
        <span class="hint font-sans font-normal">ask early: what needs a permit differs from place to place</span>
      </h2>
      <DesignField path="aim.practical.permits" class="w-40" />
      <button class="button" data-test="print-permit" @click="sheet?.print()">Print it</button>
    </div>
    <div class="my-2 grid grid-cols-2 gap-x-4 gap-y-1 md:grid-cols-3" data-test="plot">
      <DesignField v-for="key in PLOT" :key="key" :path="`site.survey.plot.${key}`" />
    </div>
    <p class="hint mb-2">The plot plan among the drawings shows these; snow and wind are noted at the site.</p>
    <PrintedSheet ref="sheet">
      <figcaption class="slab text-lg">{{ bench.current.name }}</figcaption>
      <dl data-test="permit">
        <div v-for="l in lines" :key="l.asked" class="grid grid-cols-[12rem_1fr] gap-x-4 border-b border-line py-0.5">
          <dt>{{ l.asked }}</dt>
          <dd v-if="l.answer !== null" class="font-semibold">{{ l.answer }}</dd>
          <dd v-else class="border-b border-dotted border-ink text-soft">open: {{ l.by }}</dd>
        </div>
      </dl>
      <p class="mt-2 text-sm">
        Nothing here works out strength. Loads, sections and anchors are for an engineer, and local codes come before
        what this sheet says. Drawings to scale go with it.
      </p>
    </PrintedSheet>
  </div>
</template>
