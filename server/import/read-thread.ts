import { parentPort, workerData } from 'node:worker_threads'
import { sentFiles } from './files.ts'
import { readCatalogue } from './read.ts'

parentPort!.postMessage(readCatalogue(sentFiles(workerData as Record<string, string>)))
