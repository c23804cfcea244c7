import { parentPort, workerData } from 'node:worker_threads'
import { runShare, type FuzzNews, type FuzzShare } from './fuzz-command'

const say = (news: FuzzNews) => parentPort!.postMessage(news)
say({ report: runShare(workerData as FuzzShare, (done, of) => say({ done, of })) })
