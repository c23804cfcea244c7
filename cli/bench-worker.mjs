// A worker thread starts without the loader of its parent: it brings its own, then the TypeScript.
import { register } from 'tsx/esm/api'

register()
await import('./bench-worker.ts')
