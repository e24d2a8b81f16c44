import type { CaseFile } from '#core/model'
import type { Desk } from '#core/desk'
import type { Picture, View } from '#core/graph'

/** What the analysis worker is asked, and what it sends back; both are plain data. */
export interface AnalysisRequest { readonly job: number; readonly source: CaseFile; readonly view: View }
export type AnalysisReply =
  | { readonly job: number; readonly ok: true; readonly desk: Desk; readonly picture: Picture | null; readonly ms: number }
  | { readonly job: number; readonly ok: false; readonly message: string }
