export * from './schemas.ts'
export * from './diff.ts'
export * from './model.ts'
export * from './history.ts'
