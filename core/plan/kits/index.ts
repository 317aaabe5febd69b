export * from './cover.ts'
export * from './layout.ts'
export * from './fits.ts'
export * from './counts.ts'
