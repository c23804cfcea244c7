import './browser-globals'
import { createPinia, setActivePinia } from 'pinia'
import { useDesign } from '../../app/stores/design'
import { useKeeping } from '../../app/stores/keeping'
import { useKept } from '../../app/stores/kept'
import { useLadder } from '../../app/stores/ladder'
import { useNotices } from '../../app/stores/notices'
import { useSeason } from '../../app/stores/season'
import { useSettings } from '../../app/stores/settings'
import { useWinters } from '../../app/stores/winters'
import { useYear } from '../../app/stores/year'

/** One browser tab: its own stores over the one database. */
export function tab() {
  const pinia = createPinia()
  const inTab = <T>(use: () => T): T => {
    setActivePinia(pinia)
    return use()
  }
  return {
    bench: inTab(useDesign),
    year: inTab(useYear),
    keeping: inTab(useKeeping),
    kept: inTab(useKept),
    ladder: inTab(useLadder),
    notices: inTab(useNotices),
    season: inTab(useSeason),
    settings: inTab(useSettings),
    winters: inTab(useWinters),
  }
}

/** An empty database. */
export const wipe = () =>
  new Promise<void>(resolve => {
    const request = indexedDB.deleteDatabase('tierra')
    request.onsuccess = request.onerror = () => resolve()
  })

/** A store that has no room; gives back how to make some. */
export function fillStore(): () => void {
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  return () => put.mockRestore()
}
