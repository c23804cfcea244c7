<script setup lang="ts" generic="K extends Exported">
import { exportsOf, type Exported, type ExportFormat, type ExportInput } from '../../../formats/exports'
import { saveText } from '~/composables/saveText'
import { shippedFonts } from '~/composables/shippedFonts'

/** A button for each format in which something goes out. */
const props = defineProps<{
  of: K
  /** What it is written from, asked for as a button is pressed. */
  input?: () => ExportInput<K>
  /** In its place: who writes it, where that is a worker. */
  by?: (format: ExportFormat<ExportInput<K>>) => Promise<string | Uint8Array>
  /** What files are called by; as the design unless said. */
  called?: string
  disabled?: boolean
  /** What buttons say while a file is made. */
  waiting?: string
}>()
const bench = useDesign()
const notices = useNotices()
const busy = ref(false)
async function save(format: ExportFormat<ExportInput<K>>): Promise<void> {
  busy.value = true
  try {
    const file = await (props.by ? props.by(format) : format.write(props.input!(), shippedFonts))
    saveText(`${format.name(props.called ?? bench.current.name)}.${format.ending}`, file, format.type)
  } catch (error) {
    notices.tell('error', `The file could not be made: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <button
    v-for="format in exportsOf(of)"
    :key="format.id"
    class="button"
    :disabled="disabled || busy"
    :data-test="`save-${format.id}`"
    @click="save(format)"
  >
    {{ busy && waiting ? waiting : format.button }}
  </button>
</template>
