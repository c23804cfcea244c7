import { ref } from 'vue'
import { useDesign } from '../stores/design'
import { useNotices } from '../stores/notices'
import { useYear } from '../stores/year'
import { saveText } from './saveText'

/** The year on the bench as files: its hours as CSV, and its weather as EPW. */
export function useYearFiles() {
  const bench = useDesign()
  const year = useYear()
  const notices = useNotices()
  const busy = ref(false)
  async function save(kind: 'csv' | 'epw'): Promise<void> {
    busy.value = true
    try {
      const text = await year.file(bench.current, kind)
      saveText(`${bench.current.name}, year.${kind}`, text, kind === 'csv' ? 'text/csv' : 'text/plain')
    } catch (error) {
      notices.tell('error', `The file could not be made: ${error instanceof Error ? error.message : String(error)}`)
    } finally {
      busy.value = false
    }
  }
  return { busy, save }
}
