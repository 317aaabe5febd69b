export * from './read.ts'
export * from './judge.ts'
export * from './words.ts'
