import { judgeShutIn } from '@ekrond/core/bench/proving'
import { expose } from 'comlink'

const judging = { judge: judgeShutIn }
export type Judging = typeof judging

expose(judging)
