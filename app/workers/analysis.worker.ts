import { analyse } from '#core/model'
import { deskOf } from '#core/desk'
import { picture } from '#core/graph'
import type { AnalysisReply, AnalysisRequest } from './protocol'

self.onmessage = ({ data }: MessageEvent<AnalysisRequest>) => {
  let reply: AnalysisReply
  try {
    const start = performance.now()
    const analysis = analyse(data.source)
    reply = { job: data.job, ok: true, desk: deskOf(analysis), picture: picture(analysis, data.view), ms: performance.now() - start }
  } catch (failure) {
    reply = { job: data.job, ok: false, message: failure instanceof Error ? failure.message : String(failure) }
  }
  self.postMessage(reply)
}
