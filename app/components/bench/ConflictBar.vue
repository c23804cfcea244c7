<script setup lang="ts">
/** Saving waits: what has happened to the design elsewhere, and each way out. */
const keeping = useKeeping()
const WORDS = {
  conflict: {
    what: 'This design was changed in another tab.',
    then: 'Nothing has been overwritten; saving waits until you choose.',
  },
  deleted: {
    what: 'This design was deleted in another tab.',
    then: 'What stands here is the last of it; saving waits until you choose.',
  },
  unreadable: {
    what: 'What is kept of this design cannot be read any more.',
    then: 'It is left as it is, in the list of designs; saving waits until you choose.',
  },
} as const
const words = computed(() => WORDS[keeping.state as keyof typeof WORDS])
</script>

<template>
  <div
    v-if="words"
    class="flex flex-wrap items-center gap-3 border-b border-ink bg-(--warn) px-4 py-2"
    role="alert"
    data-test="conflict"
  >
    <p class="min-w-60 flex-1">
      <strong>{{ words.what }}</strong> {{ words.then }}
    </p>
    <!-- Both ways out side by side, also where the words leave no room beside them. -->
    <div class="flex flex-wrap gap-3">
      <template v-if="keeping.state === 'deleted'">
        <button class="button" data-test="keep-deleted" @click="keeping.keepDeleted()">Keep it</button>
        <button class="button" data-test="let-go" @click="keeping.letDeletedGo()">Let it go</button>
      </template>
      <template v-else>
        <button v-if="keeping.theirs" class="button" data-test="take-theirs" @click="keeping.takeTheirs()">
          Take the other tab’s version
        </button>
        <button class="button" data-test="keep-mine" @click="keeping.keepMineAsCopy()">
          Keep mine as a design of its own
        </button>
      </template>
    </div>
  </div>
</template>
