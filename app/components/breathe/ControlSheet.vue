<script setup lang="ts">
import { controlSheet, type ControlLine } from '../../../core/advice/control-sheet'

/** Every set-point that the year was run with, to be copied into thermostats and timers. */
const bench = useDesign()
const settings = useSettings()
const sheet = useTemplateRef<{ print: () => Promise<void> }>('sheet')
const lines = computed(() => controlSheet(bench.current))
const devices = computed(() => {
  const out = new Map<string, ControlLine[]>()
  for (const l of lines.value) out.set(l.device, [...(out.get(l.device) ?? []), l])
  return [...out]
})
const say = ({ value, quantity }: ControlLine) =>
  typeof value === 'string' ? value : quantity ? settings.show(value, quantity) : String(value)
</script>

<template>
  <div class="px-4 py-3">
    <div class="mb-2 flex flex-wrap items-baseline gap-2">
      <h2 class="group-title mr-auto">
        Control sheet
        <span class="hint font-sans font-normal">what the year was run with, for thermostats, timers and hands</span>
      </h2>
      <button class="button" data-test="print-controls" @click="sheet?.print()">Print it</button>
      <ExportButtons of="control sheet" :input="() => lines" />
    </div>
    <p v-if="lines.length === 0" class="hint">Nothing is set: no opening, cover, fan or heater works by itself.</p>
    <PrintedSheet ref="sheet">
      <figcaption class="sr-only print:not-sr-only">Control sheet of {{ bench.current.name }}</figcaption>
      <div class="columns-1 gap-x-8 md:columns-2" data-test="control-sheet">
        <section v-for="[device, own] in devices" :key="device" class="mb-2 break-inside-avoid">
          <h3 class="slab">{{ device }}</h3>
          <dl>
            <div v-for="l in own" :key="l.setting" class="flex justify-between gap-4 border-b border-line">
              <dt>{{ l.setting }}</dt>
              <dd class="text-right font-semibold tabular-nums">{{ say(l) }}</dd>
            </div>
          </dl>
        </section>
      </div>
      <p class="hint">Temperatures of the air at the beds unless a setting says otherwise.</p>
    </PrintedSheet>
  </div>
</template>
