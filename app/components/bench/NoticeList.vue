<script setup lang="ts">
/** At the foot of the middle, where a panel has it whole. */
defineProps<{ low?: boolean }>()
const notices = useNotices()
function act(id: number, run: () => void): void {
  run()
  notices.close(id)
}
</script>

<template>
  <div
    class="notices pointer-events-none fixed z-50 flex flex-col items-center gap-2"
    :class="{ low }"
    aria-live="polite"
  >
    <div
      v-for="n in notices.all"
      :key="n.id"
      class="notice pointer-events-auto"
      :class="{ bad: n.kind !== 'info' }"
      :role="n.kind === 'error' ? 'alert' : 'status'"
      data-test="notice"
    >
      <div class="min-w-0 flex-1">
        <p>{{ n.text }}</p>
        <ul v-if="n.lines.length > 0" class="mt-1 max-h-40 list-disc overflow-auto pl-5 text-sm">
          <li v-for="line in n.lines" :key="line">
            {{ line }}
          </li>
        </ul>
      </div>
      <button v-if="n.action" class="button" @click="act(n.id, n.action!.run)">
        {{ n.action.label }}
      </button>
      <button class="button quiet" aria-label="Close this message" @click="notices.close(n.id)">×</button>
    </div>
  </div>
</template>

<style scoped>
/* Over the drawing, where it covers neither a field nor the year. */
.notices {
  left: 190px;
  right: 302px;
  top: 3.4rem;
}
.notices.low {
  top: auto;
  bottom: 7.6rem;
}
@media (max-width: 900px) {
  .notices {
    left: 0.6rem;
    right: 0.6rem;
    top: auto;
    bottom: 0.6rem;
  }
  .notices.low {
    bottom: 0.6rem;
  }
}
.notice {
  display: flex;
  gap: 0.8rem;
  align-items: flex-start;
  width: 100%;
  max-width: 42rem;
  background: var(--paper);
  border: 1px solid var(--ink);
  border-left: 6px solid var(--moss);
  padding: 0.6rem 0.9rem;
  box-shadow: 0 3px 14px #0003;
}
.notice.bad {
  border-left-color: var(--clay);
}
</style>
