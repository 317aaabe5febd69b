export * from './schemas.ts'
export * from './model.ts'
