export type { FamilyName } from './names.ts'
export { passagePlans } from './passages.ts'
export { familyOf, passagePlanOf, unitDrawing, type DrawnFrom } from './drawing.ts'
export { flangeView, jointPlan, plainFace, type FlangeView, type JointPlan } from './plan.ts'
export { floatView, type FloatView } from './float-view.ts'
export {
  neverCapped,
  outsideOf,
  portCodes,
  portName,
  portsOf,
  type OutsideView,
  type OutsidePort,
  type PortJob,
} from './outside.ts'
