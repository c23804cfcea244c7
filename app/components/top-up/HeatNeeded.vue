<script setup lang="ts">
import { heldC } from '../../../core/study/held'

/** What the year needs for each lowest air that one might hold. */
const bench = useDesign()
const studies = useStudies()
const year = useYear()
const settings = useSettings()
const held = computed(() => heldC(bench.current))
const nearest = computed(
  () => [...studies.all.held.points].sort((a, b) => Math.abs(a.at - held.value) - Math.abs(b.at - held.value))[0],
)
const loss = computed(() => year.view?.sums.find(s => s.id === 'design-heat-loss') ?? null)
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-2">
    <div>
      <h2 class="group-title">
        Heat for each lowest air
        <span class="hint font-sans font-normal">held all year by a heater that never falls short</span>
      </h2>
      <AmountCurve
        kind="held"
        ask="Work out every lowest air"
        quantity="temperature"
        :shows="['heat', 'peak']"
        :now="held"
        @take="bench.replace($event.design, 'hold air')"
      />
    </div>
    <div>
      <h2 class="group-title">At {{ settings.show(held, 'temperature') }}</h2>
      <p v-if="nearest" data-test="heat-needed">
        Held at {{ settings.show(nearest.at, 'temperature') }}, the year asks for
        <strong>{{ settings.show(nearest.figures.heatKWh * 3.6e6, 'energy') }}</strong> on
        {{ nearest.figures.heatNights }} nights, {{ settings.show(nearest.figures.peakW, 'power') }} at the most.
      </p>
      <p v-else class="hint">Work out the curve to see what the year asks for.</p>
      <template v-if="loss">
        <p>
          By hand, on the coldest night outside:
          <strong>{{ settings.show(loss.lines.at(-1)!.value, 'power') }}</strong
          >. It leaves out what is stored, and the sun.
        </p>
        <SumLines :sum="{ result: null, lines: loss.lines, rule: loss.rule }" />
      </template>
    </div>
  </div>
</template>
