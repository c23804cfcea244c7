import { ref } from 'vue'
import { useDesign } from '../stores/design'
import { useLadder } from '../stores/ladder'
import { useNotices } from '../stores/notices'
import { useSettings } from '../stores/settings'
import { useYear } from '../stores/year'
import { saveText } from './saveText'
import { shippedFonts } from './shippedFonts'

/** The design on the bench as a printed report, made on this machine. */
export function useReport() {
  const bench = useDesign()
  const year = useYear()
  const ladder = useLadder()
  const settings = useSettings()
  const notices = useNotices()
  const busy = ref(false)
  async function save(): Promise<void> {
    if (!year.view) return
    busy.value = true
    try {
      const { writeReportPdf } = await import('../../formats/report-pdf')
      const { bytes } = await writeReportPdf(
        {
          design: bench.current,
          view: year.view,
          rungs: ladder.stale ? [] : ladder.order,
          show: (v, quantity) => settings.show(v, quantity),
        },
        await shippedFonts(),
      )
      saveText(`${bench.current.name}.pdf`, bytes, 'application/pdf')
    } catch (error) {
      notices.tell('error', `The report could not be made: ${error instanceof Error ? error.message : String(error)}`)
    } finally {
      busy.value = false
    }
  }
  return { busy, save }
}
