import ext400 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-400-normal.woff?url'
import text400 from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url'
import ext600 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-600-normal.woff?url'
import text600 from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff?url'
import slabExt from '@fontsource/zilla-slab/files/zilla-slab-latin-ext-600-normal.woff?url'
import slab from '@fontsource/zilla-slab/files/zilla-slab-latin-600-normal.woff?url'
import { ref } from 'vue'
import { useDesign } from '../stores/design'
import { useLadder } from '../stores/ladder'
import { useNotices } from '../stores/notices'
import { useSettings } from '../stores/settings'
import { useYear } from '../stores/year'
import { saveText } from './saveText'

const load = async (urls: readonly string[]) =>
  Promise.all(urls.map(async url => new Uint8Array(await (await fetch(url)).arrayBuffer())))

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
        {
          text: await load([text400, ext400]),
          strong: await load([text600, ext600]),
          heading: await load([slab, slabExt]),
        },
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
