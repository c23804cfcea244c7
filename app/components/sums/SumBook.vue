<script setup lang="ts">
import type { StepId } from '../../../core/design'
import type { BookedSum } from '../../../core/sums/book'

/** The sums by hand of a step: what the rule says, what the year says beside it, and the sum laid open. */
const props = defineProps<{ step: StepId }>()
const year = useYear()
const settings = useSettings()
const EVIDENCE = { proof: 'arithmetic', measured: 'within what was measured', thin: 'thin evidence' } as const
const sums = computed(() => (year.view?.sums ?? []).filter(s => s.step === props.step))
type Value = { value: number; quantity: BookedSum['lines'][number]['quantity']; unit?: string }
const say = ({ value, quantity, unit }: Value) =>
  quantity ? settings.show(value, quantity) : settings.compound(value, unit ?? '', 3)
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      Rules and sums
      <span class="hint font-sans font-normal">what a rule of thumb says, and what your year says beside it</span>
    </h2>
    <p v-if="!year.view" class="hint" role="status">Waiting for the year.</p>
    <ul v-else class="grid gap-x-8 gap-y-3 md:grid-cols-2" :data-test="`sums-${step}`">
      <li v-for="s in sums" :key="s.id" class="border-t border-line pt-1.5" :data-test="`sum-${s.id}`">
        <div class="flex items-baseline justify-between gap-3">
          <strong>{{ settings.named(s.title) }}</strong>
          <span class="text-lg whitespace-nowrap tabular-nums">{{ say(s.lines.at(-1)!) }}</span>
        </div>
        <p v-if="s.year.length > 0">
          Your year:
          <template v-for="(y, i) in s.year" :key="i"
            ><template v-if="i > 0">; </template>{{ y.text }} <strong>{{ say(y) }}</strong></template
          >.
        </p>
        <SumLines
          :sum="{ result: null, lines: s.lines, rule: s.rule }"
          :title="`Show the sum (${EVIDENCE[s.evidence]})`"
        />
      </li>
    </ul>
  </div>
</template>
