import { jetsPlan, jobJets } from '@ekrond/core/plan/jets'
import { expose } from 'comlink'

const working = { plan: jetsPlan, job: jobJets }
export type JetsWorking = typeof working

expose(working)
