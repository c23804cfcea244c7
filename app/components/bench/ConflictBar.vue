<script setup lang="ts">
const keeping = useKeeping()
</script>

<template>
  <div
    v-if="keeping.state === 'conflict'"
    class="flex flex-wrap items-center gap-3 border-b border-ink bg-(--warn) px-4 py-2"
    role="alert"
    data-test="conflict"
  >
    <p class="min-w-60 flex-1">
      <strong>This design was changed in another tab.</strong> Nothing has been overwritten; saving waits until you
      choose.
    </p>
    <button v-if="keeping.theirs" class="button" data-test="take-theirs" @click="keeping.takeTheirs()">
      Take the other tab’s version
    </button>
    <button class="button" data-test="keep-mine" @click="keeping.keepMineAsCopy()">
      Keep mine as a design of its own
    </button>
  </div>
</template>
