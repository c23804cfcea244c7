<script setup lang="ts">
import type { Intake } from '../../../core/season/intake'
import { fullDate, localDay } from '../../../core/text/dates'

/** Files of readings that were taken in: each can be looked at, read again, and taken out. */
const season = useSeason()
const intakes = computed(() => [...(season.book.intakes ?? [])].reverse())
const shown = ref('')
const fault = ref('')
const dayOf = (h: number) => new Date(h * 3_600_000).toISOString().slice(0, 10)
function spanOf({ log, days }: Intake): string {
  if (log) return `${dayOf(log.startH)} to ${dayOf(log.startH + log.hours - 1)}, by the hour`
  return days.length > 0 ? `${days[0]!.date} to ${days.at(-1)!.date}, by the day` : 'no readings'
}
const when = (iso: string) => fullDate(localDay(new Date(iso)))
async function takeOut(id: string): Promise<void> {
  fault.value = (await season.takeOut(id)) ?? ''
}
</script>

<template>
  <section v-if="intakes.length > 0" class="mt-4" data-test="intakes">
    <h2 class="group-title">Files taken in</h2>
    <ul class="divide-y divide-line border-y border-line">
      <li v-for="its in intakes" :key="its.id" class="py-1.5">
        <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
          <p class="min-w-56 flex-1">
            <strong>{{ its.name }}</strong> <span class="hint">{{ spanOf(its) }}; taken in on {{ when(its.at) }}</span>
          </p>
          <button
            class="button quiet"
            :aria-expanded="shown === its.id"
            :aria-label="`Look at ${its.name}`"
            data-test="look-at"
            @click="shown = shown === its.id ? '' : its.id"
          >
            look at it
          </button>
          <button
            v-if="its.source"
            class="button quiet"
            :aria-label="`Read ${its.name} again`"
            data-test="read-again"
            @click="season.again = its"
          >
            read it again
          </button>
          <button
            class="button quiet"
            :aria-label="`Take out ${its.name}`"
            data-test="take-out"
            @click="takeOut(its.id)"
          >
            take it out
          </button>
        </div>
        <div v-if="shown === its.id" class="pb-1 text-sm" data-test="intake-told">
          <ul class="list-disc pl-5">
            <li v-for="(line, i) in its.told" :key="i">{{ line }}</li>
          </ul>
          <p v-if="!its.source" class="hint">
            The file itself was too long to be kept: to read it otherwise, take it out and drop it again.
          </p>
        </div>
      </li>
    </ul>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
  </section>
</template>
