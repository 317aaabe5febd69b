export * from './moments.ts'
export * from './due.ts'
export * from './ladder.ts'
