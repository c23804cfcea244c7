<script setup lang="ts">
import { fittedCover } from '../../../core/catalog'
import { valueAt, type Cover } from '../../../core/design'

/** How a night cover is fitted, drawn and opened: the house's, or that of one part. */
const props = defineProps<{ path: string }>()
const bench = useDesign()
const cover = computed(() => valueAt(bench.current, props.path) as Cover)
const year = useYear()
const stuck = computed(() => year.view?.answers.coverStuck)
const there = computed(() => fittedCover(cover.value).resistance > 0)
const WORDS = {
  inside: 'Dry and easy to reach; the glass behind it gets colder and wetter.',
  outside: 'It gets wet and freezes to what it lies on: a motor cannot see ice, a hand can.',
  between: 'Out of reach once it jams.',
} as const
</script>

<template>
  <template v-if="there">
    <div>
      <DesignField :path="`${path}.place`" :hint="WORDS[cover.place]" />
      <p v-if="cover.place === 'outside' && stuck && stuck.days > 0" class="hint" data-test="cover-stuck">
        This year what lies outside is frozen down on <strong>{{ stuck.days }} mornings</strong>,
        {{ stuck.hours }} hours longer than it should lie.
      </p>
      <DesignField :path="`${path}.fit`" />
      <DesignField :path="`${path}.edgeLeak`" />
      <p v-if="bench.refusedPath.startsWith(path)" class="fault" role="alert">
        {{ bench.refusal }}
      </p>
    </div>
    <div>
      <DesignField :path="`${path}.rule`" />
      <template v-if="cover.rule === 'sun'">
        <DesignField :path="`${path}.afterSunsetH`" />
        <DesignField :path="`${path}.afterSunriseH`" />
      </template>
      <template v-else-if="cover.rule === 'clock'">
        <DesignField :path="`${path}.fromH`" />
        <DesignField :path="`${path}.untilH`" />
      </template>
      <DesignField :path="`${path}.onlyBelowC`" />
    </div>
    <div>
      <DesignField :path="`${path}.moved`" />
      <template v-if="cover.moved === 'hand'">
        <DesignField :path="`${path}.days`" />
        <template v-if="cover.days !== 'house'">
          <DesignField :path="`${path}.thereFromH`" />
          <DesignField :path="`${path}.thereUntilH`" />
        </template>
        <DesignField :path="`${path}.leaving`" />
        <DesignField
          :path="`${path}.forgotten`"
          hint="Who leaves in the light draws it for the night, unless nobody comes for longer than a day."
        />
      </template>
      <DesignField :path="`${path}.shades`" />
      <DesignField v-if="cover.shades" :path="`${path}.shadeAboveC`" />
    </div>
  </template>
</template>
