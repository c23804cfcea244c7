<script setup lang="ts">
import { Copy, Download, PencilLine, Trash2 } from 'lucide-vue-next'
import { DEMOS } from '../../core/design'
import { stamp } from '../../core/text/dates'
import { fileNameOf, type Unreadable } from '~/keeping/records'

const keeping = useKeeping()
const bench = useDesign()
const settings = useSettings()
const notices = useNotices()
const files = useDesignFiles()
const backup = useBackup()
/** Whether the browser has promised to keep them; null where it can't be asked. */
const promised = ref<boolean | null>(null)
onMounted(async () => {
  promised.value = (await navigator.storage?.persisted?.()) ?? null
})
const renaming = ref<string | null>(null)
const nameTyped = ref('')

onMounted(async () => {
  if (keeping.state === 'opening') await keeping.start(null)
  else await keeping.flush()
  await keeping.refresh()
  await keeping.lookForUnreadable()
})

/** What can't be read goes into a file as it lies there. */
function saveUnreadable({ what, name, raw }: Unreadable): void {
  const text = typeof raw === 'string' ? raw : JSON.stringify(raw)
  saveText(fileNameOf(what, name), text)
}
/** Which of those that can't be read is asked about before it goes. */
const leaving = shallowRef<Unreadable | null>(null)

async function open(id: string): Promise<void> {
  if (await keeping.openDesign(id)) await navigateTo({ path: '/', query: { d: id } })
  else if (!keeping.unreadable.some(u => u.key === id))
    notices.tell('error', 'That design is not there any more; it may have been deleted in another tab.')
}
const { plain: beginPlain } = useNewDesign()
async function beginHere(): Promise<void> {
  useSheets().start = true
  await navigateTo('/')
}
async function plain(): Promise<void> {
  await beginPlain()
  await navigateTo({ path: '/', query: { d: bench.current.id, step: 'site' } })
}
async function rename(): Promise<void> {
  const name = nameTyped.value.trim().slice(0, 120)
  const id = renaming.value
  renaming.value = null
  if (id && name) await keeping.rename(id, name)
}
const isThere = (id: string) => keeping.list.some(k => k.id === id) || keeping.unreadable.some(u => u.key === id)
const missingDemos = computed(() => DEMOS.filter(d => !isThere(d.id)))
async function bringBack(): Promise<void> {
  for (const demo of missingDemos.value) await keeping.add(demo)
}

const outlines = computed(() =>
  outlinesOf(
    keeping.list.map(k => k.design),
    92,
    58,
  ),
)
const when = (ms: number) => stamp(new Date(ms))
async function drop(event: DragEvent): Promise<void> {
  const file = event.dataTransfer?.files[0]
  if (file) await files.importFile(file)
}
function startRenaming(kept: { id: string; design: { name: string } }): void {
  nameTyped.value = kept.design.name
  renaming.value = kept.id
}
</script>

<template>
  <div class="mx-auto min-h-full max-w-4xl p-4 sm:p-6" @dragover.prevent @drop.prevent="drop">
    <header class="mb-4 flex flex-wrap items-center gap-3 border-b border-ink pb-3">
      <NuxtLink to="/" class="slab text-2xl"> Tierra </NuxtLink>
      <h1 class="text-xl">Your designs</h1>
      <div class="ml-auto flex flex-wrap gap-2">
        <button class="button" data-test="list-start" @click="beginHere">Start yours</button>
        <button class="button" data-test="list-new" @click="plain">A plain new one</button>
        <button class="button" data-test="import" @click="files.chooseFile()">Import a file</button>
        <button class="button" data-test="backup" @click="backup.make()">Back up everything</button>
      </div>
    </header>
    <main>
      <p v-if="!keeping.lasting && keeping.state !== 'opening'" class="fault mb-3">
        This browser does not let Tierra keep designs; export what you want to have again.
      </p>
      <p class="hint mb-2" data-test="where-kept">
        They are kept in this browser alone{{
          promised === null
            ? ''
            : promised
              ? ', which has promised to keep them'
              : ', which may clear them when it runs short of room'
        }}. One file holds them all, with studies and season books: drop it here, in any browser, to have them again.
      </p>
      <ul class="divide-y divide-line border-y border-line" data-test="design-list">
        <li
          v-for="k in keeping.list"
          :key="k.id"
          class="flex flex-wrap items-center gap-4 py-2"
          :data-test="`design-${k.id}`"
        >
          <button class="flex min-w-64 flex-1 cursor-pointer items-center gap-4 text-left" @click="open(k.id)">
            <svg width="92" height="58" viewBox="0 0 92 58" aria-hidden="true" class="shrink-0">
              <line x1="0" x2="92" y1="54" y2="54" stroke="var(--earth-line)" stroke-width="2" />
              <path
                :d="outlines.get(k.design)"
                fill="var(--sun-fill)"
                stroke="var(--ink)"
                stroke-width="1.6"
                stroke-linejoin="round"
              />
            </svg>
            <span>
              <span class="slab block text-lg"
                >{{ k.design.name
                }}<span v-if="k.id === bench.current.id" class="hint font-sans"> · on the bench</span></span
              >
              <span class="hint block"
                >{{ k.design.shape.form }} {{ settings.show(k.design.shape.lengthM, 'length') }} ×
                {{ settings.show(k.design.shape.widthM, 'length') }} · {{ k.design.site.place }}</span
              >
              <span class="hint block">changed {{ when(k.updatedAt) }}</span>
            </span>
          </button>
          <div class="flex gap-1">
            <button class="button" :aria-label="`Rename ${k.design.name}`" @click="startRenaming(k)">
              <PencilLine :size="16" aria-hidden="true" /> rename
            </button>
            <button
              class="button"
              :aria-label="`Duplicate ${k.design.name}`"
              data-test="duplicate"
              @click="keeping.duplicate(k.id)"
            >
              <Copy :size="16" aria-hidden="true" /> duplicate
            </button>
            <button
              class="button"
              :aria-label="`Delete ${k.design.name}`"
              data-test="delete"
              @click="keeping.remove(k.id)"
            >
              <Trash2 :size="16" aria-hidden="true" /> delete
            </button>
          </div>
        </li>
      </ul>
      <section v-if="keeping.unreadable.length > 0" class="mt-6" data-test="unreadable">
        <h2 class="group-title">Cannot be read</h2>
        <p class="hint">
          This Tierra does not understand what lies there: it is damaged, or of a newer version. It is left as it is, it
          goes into every backup, and nothing is written over it.
        </p>
        <ul class="mt-2 divide-y divide-line border-y border-line">
          <li v-for="u in keeping.unreadable" :key="u.place + u.key" class="flex flex-wrap items-center gap-4 py-2">
            <div class="min-w-64 flex-1">
              <p class="slab text-lg">{{ u.name || u.key }}</p>
              <p class="hint">{{ u.what }}</p>
              <ul class="list-disc pl-5 text-sm">
                <li v-for="line in u.why" :key="line">{{ line }}</li>
              </ul>
            </div>
            <div class="flex flex-wrap gap-1">
              <template v-if="leaving === u">
                <span class="self-center text-sm">For good?</span>
                <button class="button" data-test="discard-now" @click="keeping.discard(u)">Yes, delete it</button>
                <button class="button" @click="leaving = null">No</button>
              </template>
              <template v-else>
                <button
                  v-if="u.raw !== undefined"
                  class="button"
                  :aria-label="`Save ${u.name || u.key} as a file`"
                  data-test="save-unreadable"
                  @click="saveUnreadable(u)"
                >
                  <Download :size="16" aria-hidden="true" /> save as a file
                </button>
                <button
                  class="button"
                  :aria-label="`Delete ${u.name || u.key}`"
                  data-test="discard"
                  @click="leaving = u"
                >
                  <Trash2 :size="16" aria-hidden="true" /> delete
                </button>
              </template>
            </div>
          </li>
        </ul>
      </section>
      <p v-if="missingDemos.length > 0" class="mt-3">
        <button class="button" data-test="bring-back" @click="bringBack">Bring back the demo designs</button>
      </p>
    </main>
    <NameDialog v-model="nameTyped" :open="renaming !== null" @close="renaming = null" @take="rename" />
    <NoticeList />
  </div>
</template>
