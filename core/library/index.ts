export * from './differences.ts'
export * from './history.ts'
