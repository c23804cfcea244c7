import { parentPort, workerData } from 'node:worker_threads'
import { runShare, type FuzzShare } from './fuzz-command'

parentPort!.postMessage(runShare(workerData as FuzzShare))
