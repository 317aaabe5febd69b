import type { ReturnSheet } from '@ekrond/core/sheet'
import { parentPort, workerData } from 'node:worker_threads'
import { returnSheetPdf } from './return-sheet.ts'

const { pages, head } = workerData as { pages: ReturnSheet[]; head: { shop: string; date: string } }
parentPort!.postMessage(await returnSheetPdf(pages, head))
