<script setup lang="ts">
import { houseFigure, type HouseFigureId } from '../../../core/study/house-figures'
import { capital } from '../../../core/text/capital'
import type { Quantity } from '../../../core/units'

/** A figure of the score, and how far it is from the pinned design's; another text may stand in its place. */
const props = defineProps<{
  /** What houses are held against each other by: its name is theirs. */
  of?: HouseFigureId
  /** Its name, else. */
  name?: string
  /** The term that its name is. */
  term?: string
  hint?: string
  figure?: { now: number; was: number | null | undefined; quantity: Quantity; more: 'good' | 'bad' }
}>()
const settings = useSettings()
const called = computed(() => props.name ?? (props.of ? capital(houseFigure(props.of).name) : ''))
const text = computed(() => (props.figure ? settings.show(props.figure.now, props.figure.quantity) : ''))
</script>

<template>
  <div class="flex items-baseline justify-between gap-[0.6rem] py-[0.3rem]">
    <dt>
      <TermLink v-if="term" :id="term">{{ called }}</TermLink
      ><template v-else>{{ called }}</template
      ><span v-if="hint" class="hint block">{{ hint }}</span>
    </dt>
    <dd class="text-right font-semibold whitespace-nowrap">
      <span :data-figure="of"
        ><slot>{{ text }}</slot></span
      >
      <ChangeMark v-if="figure" v-bind="figure" class="ml-1" />
    </dd>
  </div>
</template>
