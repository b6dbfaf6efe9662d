import { Device, fresh } from '../soak/device.mts';
import { sleep, soak } from '../soak/ledger.mts';

/** A quick hand, so that a fault always meets entries on their way. */
const PACE_MS = 150;
/** Joints that a phone has been given ahead, as in the morning. */
const AHEAD = 80;

/** A phone whose thumb waits for no one: it confirms, and what it has is sent beside. */
export class Phone extends Device {
  confirmed = 0;
  longestQueue = 0;
  /** Longest time between two confirmations, over the pace. */
  longestWaitMs = 0;
  private readonly joints: string[] = [];

  async prepare(): Promise<void> {
    await this.signIn();
    while (this.joints.length < AHEAD / 4) this.joints.push(await this.newJoint());
  }

  override async work(): Promise<void> {
    await Promise.all([this.thumb(), this.sender()]);
  }

  private async thumb(): Promise<void> {
    for (let last = Date.now(); !soak.isOver; last = Date.now()) {
      await sleep(PACE_MS);
      if (soak.isOver) return;
      this.confirmNext();
      this.longestWaitMs = Math.max(this.longestWaitMs, Date.now() - last - PACE_MS);
    }
  }

  private confirmNext(): void {
    this.t ??= this.technicianAt(this.nextJoint());
    const event = this.t.step();
    if (event) {
      this.unsent.push(fresh(this.t, event));
      this.confirmed += 1;
      this.longestQueue = Math.max(this.longestQueue, this.unsent.length);
    }
    if (!event || this.t.state.status === 'finished') this.t = null;
  }

  private nextJoint(): string {
    const joint = this.joints.shift();
    if (!joint) throw new Error('the phone ran out of joints: AHEAD is too few');
    return joint;
  }

  private async sender(): Promise<void> {
    while (!soak.isOver || this.unsent.length > 0) {
      if (this.unsent.length < 3 && this.joints.length < AHEAD && !soak.isOver)
        this.joints.push(await this.newJoint());
      await this.send();
    }
  }
}
