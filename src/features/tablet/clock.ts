import { CLOCKS_APART_MS, clocksApartMs, trueTime, type TimeAnchor, type TrueTime } from "@/core/visit";
import type { Device } from "./device";

const ASK_AGAIN_AFTER_MS = 5000;

/** What time it is on this tablet: by the server where it was seen, else by the device, and it says which. */
export class TabletClock {
  private anchor: TimeAnchor | null = null;
  private askedMs = -Infinity;

  constructor(
    private readonly device: Device,
    private readonly serverTime: () => Promise<number>,
  ) {}

  /** Takes up the anchor that was kept before a reload. */
  resume(anchor: TimeAnchor | null): void {
    this.anchor ??= anchor;
  }

  now(): TrueTime {
    return trueTime(this.anchor, this.reading());
  }

  /** The device slept or its clock was set: the server is to be asked again, but not at every tick while it is away. */
  get isDoubtful(): boolean {
    const apart = this.anchor && clocksApartMs(this.anchor, this.reading());
    return apart !== null && Math.abs(apart) > CLOCKS_APART_MS && this.device.monotonicMs() > this.askedMs + ASK_AGAIN_AFTER_MS;
  }

  /** Asks the server; the anchor to keep. Rejects where the server is out of reach. */
  async ask(): Promise<TimeAnchor> {
    this.askedMs = this.device.monotonicMs();
    const before = this.device.monotonicMs();
    const serverMs = await this.serverTime();
    const after = this.device.monotonicMs();
    this.anchor = {
      serverMs,
      monotonicMs: (before + after) / 2,
      deviceMs: this.device.wallMs() - (after - before) / 2,
      load: this.device.load,
    };
    return this.anchor;
  }

  private reading() {
    return { deviceMs: this.device.wallMs(), monotonicMs: this.device.monotonicMs(), load: this.device.load };
  }
}
