import { keptCaseSchema } from "#shared/schemas/wire";
import type { KeptCase } from "./caseApi";

/** Tells the other tabs of this browser what was kept, and hears it from them. */
export class OtherTabs {
  private readonly channel = "BroadcastChannel" in globalThis ? new BroadcastChannel("pasear:kept") : null;

  constructor(heard: (kept: KeptCase) => void) {
    if (!this.channel) return;
    this.channel.onmessage = ({ data }: MessageEvent<unknown>) => {
      // A tab of another version may say what this one does not understand: it is looked up when the tab comes back.
      const kept = keptCaseSchema.safeParse(data);
      if (kept.success) heard(kept.data);
    };
  }
  tell(kept: KeptCase): void {
    this.channel?.postMessage(kept);
  }
}
