import { CORE_VERSION } from '../../core/version'

export default defineEventHandler(() => ({ ok: true, version: CORE_VERSION }))
