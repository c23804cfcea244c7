<script setup lang="ts">
import { UNKNOWNS } from '../../../core/study/unknowns'

/** How sure the coldest night is: twenty winters, and what nobody has measured, each between its plausible ends. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const winters = useWinters()
const measured = computed(() => bench.current.site.climate.kind === 'hourly')
const winter = computed(() => bench.current.aim.winter)
const t = (c: number) => settings.show(c, 'temperature')
const sorted = computed(() => [...winters.all].sort((a, b) => a.insideC - b.insideC))
const own = computed(() => year.view?.answers.coldestNight.insideC ?? 0)
const axis = computed(() => {
  const all = [own.value, ...winters.all.map(w => w.insideC)]
  const [low, high] = [Math.min(...all) - 0.3, Math.max(...all) + 0.3]
  return { low, high, place: (c: number) => `${((c - low) / (high - low)) * 100}%` }
})
const aimC = computed(() => year.view?.answers.aim.coldestNight?.aimC ?? null)
const inRange = (c: number) => c > axis.value.low && c < axis.value.high
</script>

<template>
  <div class="grid gap-x-8 gap-y-4 px-4 py-3 lg:grid-cols-2">
    <section>
      <h2 class="group-title">
        {{ winters.single ? 'One winter' : `${winters.all.length || winters.total || ''} winters` }}
        <span class="hint font-sans font-normal">{{
          winters.single
            ? 'as it was measured'
            : measured
              ? 'of the same place'
              : 'of the same climate: other days, and months that stray as they do from year to year'
        }}</span>
      </h2>
      <OneWinter v-if="winters.single" />
      <p v-else-if="winters.all.length === 0" class="hint" role="status">
        {{ winters.failure || `Worked out while the design is at rest: ${winters.known} of ${winters.total}.` }}
      </p>
      <div v-else :class="winters.stale ? 'opacity-60' : ''" data-test="twenty-winters">
        <div
          class="relative mt-7 mb-2 h-14 border-b border-ink"
          role="img"
          :aria-label="
            `Coldest nights, from ${t(sorted[0]!.insideC)} to ${t(sorted.at(-1)!.insideC)}` +
            (aimC === null ? '' : `; aim ${t(aimC)}`)
          "
        >
          <template v-if="aimC !== null && inRange(aimC)">
            <span class="absolute inset-y-0 border-l-2 border-dashed border-clay" :style="{ left: axis.place(aimC) }" />
            <!-- Moved back by the same share of its own width, it stays within the strip. -->
            <span
              class="absolute -top-5 text-sm whitespace-nowrap text-soft"
              :style="{ left: axis.place(aimC), transform: `translateX(-${axis.place(aimC)})` }"
              >aim {{ t(aimC) }}</span
            >
          </template>
          <span
            v-for="(w, i) in sorted"
            :key="i"
            class="absolute size-3 -translate-x-1/2 rounded-full border-2 border-ink"
            :class="w.insideC < 0 ? 'bg-slate' : w.marginK !== null && w.marginK < 0 ? 'bg-paper' : 'bg-moss'"
            :style="{ left: axis.place(w.insideC), bottom: `${4 + (i % 3) * 15}px` }"
            :title="`${t(w.insideC)} inside, ${t(w.outsideC)} outside`"
          />
        </div>
        <p class="flex justify-between text-sm text-soft">
          <span>{{ t(axis.low) }}</span
          ><span v-if="aimC !== null && !inRange(aimC)">aim {{ t(aimC) }}, off this scale</span
          ><span>{{ t(axis.high) }}</span>
        </p>
        <dl class="grid grid-cols-[1fr_auto] gap-x-4">
          <dt>A usual winter’s coldest night</dt>
          <dd class="text-right font-semibold">
            {{ t(winters.spread!.medianC) }}
          </dd>
          <dt>{{ winters.spread!.isFew ? 'They lie between' : 'Eight of ten lie between' }}</dt>
          <dd class="text-right font-semibold">{{ t(winters.spread!.leastC) }} and {{ t(winters.spread!.mostC) }}</dd>
          <template v-if="winter !== 'usual'">
            <dt>{{ winter === 'one in five' ? 'One in five is colder than' : 'One in twenty is colder than' }}</dt>
            <dd class="text-right font-semibold" data-test="meant-winter">{{ t(winters.spread!.meantC) }}</dd>
            <dt class="hint">by so many winters, told no closer than</dt>
            <dd class="hint text-right">
              {{
                Number.isFinite(winters.spread!.meantRangeC[0])
                  ? `${t(winters.spread!.meantRangeC[0])} to ${t(winters.spread!.meantRangeC[1])}`
                  : `below ${t(winters.spread!.meantRangeC[1])}`
              }}
            </dd>
          </template>
          <dt>Frost inside</dt>
          <dd class="text-right font-semibold">{{ winters.spread!.withFrost }} of {{ winters.all.length }}</dd>
          <dt>The aim is missed</dt>
          <dd class="text-right font-semibold">{{ winters.spread!.missed }} of {{ winters.all.length }}</dd>
        </dl>
        <p class="hint">Blue dots freeze, empty ones miss the aim, green ones keep it.</p>
        <details>
          <summary class="cursor-pointer">As a table</summary>
          <table class="text-sm">
            <thead>
              <tr class="text-right">
                <th scope="col" class="pr-6 font-normal">winter</th>
                <th scope="col" class="pr-6 font-normal">inside</th>
                <th scope="col" class="font-normal">outside</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(w, i) in sorted" :key="i" class="text-right tabular-nums">
                <th scope="row" class="pr-6 font-normal">{{ w.name ?? w.seed }}</th>
                <td class="pr-6">{{ t(w.insideC) }}</td>
                <td>{{ t(w.outsideC) }}</td>
              </tr>
            </tbody>
          </table>
        </details>
      </div>
    </section>
    <section>
      <h2 class="group-title">
        What nobody has measured <span class="hint font-sans font-normal">longest first: measure that first</span>
      </h2>
      <DoubtBars
        :unknowns="UNKNOWNS"
        ask="Doubt each in turn"
        test="doubts"
        :beside="winters.all.map(w => w.insideC)"
      />
    </section>
  </div>
</template>
