import type { ReturnSheet } from '@ekrond/core/bench/return-sheet'
import { sentFiles } from './import/files.ts'
import { readCatalogue, type CatalogueRead } from './import/read.ts'
import { isPicture } from './photos/decode.ts'
import type { SheetHead } from './reports/head.ts'
import { returnSheetPdf } from './reports/return-sheet.ts'

export const returnSheet = ({
  pages,
  head,
}: {
  pages: ReturnSheet[]
  head: SheetHead
}): Promise<Uint8Array> => returnSheetPdf(pages, head)

export const picture = (bytes: Uint8Array): boolean => isPicture(bytes)

export const catalogue = (files: Record<string, string>): Promise<CatalogueRead> =>
  readCatalogue(sentFiles(files))
