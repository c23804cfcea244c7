<script setup lang="ts">
/** The whole design on paper. */
const bench = useDesign()
const year = useYear()
const ladder = useLadder()
const settings = useSettings()
const winters = useWinters()
const withLadder = computed(() => ladder.order.length > 0 && ladder.isOfScore)
const parts = () => ({
  design: bench.current,
  view: year.view!,
  rungs: withLadder.value ? ladder.order : [],
  show: settings.show,
  winters: winters.stale ? [] : winters.all,
})
</script>

<template>
  <div class="max-w-prose px-4 py-3">
    <h2 class="group-title">A report of {{ bench.current.name }}</h2>
    <p>
      Section and plan to scale, why the worst night was the worst, the months, heat in and out, what it costs, every
      sum by hand, what was taken for granted, the cautions, and how far to trust it all. It is made on this machine.
    </p>
    <p class="hint mt-1">
      {{
        withLadder
          ? 'The ladder of changes goes in as well.'
          : 'Work the ladder out first, and what the next money buys goes in as well.'
      }}
    </p>
    <ExportButtons
      of="report"
      :input="parts"
      :disabled="!year.view || year.running"
      waiting="Setting the pages …"
      class="mt-3"
    />
  </div>
</template>
