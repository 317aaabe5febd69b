export { crossOrder } from './order.ts'
export {
  isFastened,
  jointOf,
  jointWords,
  lengthWords,
  torqueWords,
  type FastenerState,
  type Joint,
} from './joint.ts'
export { proofOf, type StepCheck } from './proof.ts'
