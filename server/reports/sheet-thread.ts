import type { ReturnSheet } from '@ekrond/core/sheet'
import { parentPort, workerData } from 'node:worker_threads'
import { returnSheetPdf } from './return-sheet.ts'

const { sheet, head } = workerData as { sheet: ReturnSheet; head: { shop: string; date: string } }
parentPort!.postMessage(await returnSheetPdf(sheet, head))
