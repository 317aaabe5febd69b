export * from './cover.ts'
export * from './layout.ts'
