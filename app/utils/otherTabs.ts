import type { KeptCase } from "./caseApi";

/** Tells the other tabs of this browser what was kept, and hears it from them. */
export class OtherTabs {
  private readonly channel = "BroadcastChannel" in globalThis ? new BroadcastChannel("pasear:kept") : null;

  constructor(heard: (kept: KeptCase) => void) {
    if (this.channel) this.channel.onmessage = ({ data }: MessageEvent<KeptCase>) => heard(data);
  }
  tell(kept: KeptCase): void {
    this.channel?.postMessage(kept);
  }
}
