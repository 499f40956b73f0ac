import type { Pour } from '@cazuela/core';
import { Sound } from '../../../data/devices/sound';

/** One beep in eight readings at the start of the last stretch, one in each reading at its end, and a low tone above the target. */
const SLOWEST = 8;

/** Short sounds near the target. */
export class NearTargetSound {
  private readonly sound = new Sound();
  private readings = 0;

  near({ zone, nearShare }: Pour): void {
    if (zone === 'far') return;
    this.readings += 1;
    const every = Math.max(1, Math.round(SLOWEST * (1 - nearShare)));
    if (zone === 'over') this.sound.tone(180, 0.08);
    else if (zone === 'near' && this.readings % every === 0) this.sound.tone(880, 0.02);
  }
}
