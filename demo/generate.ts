import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { catalogueFiles } from './catalogue.ts'

const folder = join(import.meta.dirname, 'catalogue')
for (const [name, contents] of catalogueFiles()) {
  mkdirSync(dirname(join(folder, name)), { recursive: true })
  writeFileSync(join(folder, name), contents)
}
