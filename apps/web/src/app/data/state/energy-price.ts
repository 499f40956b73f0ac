import type { WritableSignal } from '@angular/core';
import { deviceSignal } from '../offline/kept-signal';

/** What a kWh costs is known at this device, in the currency of the studio. To be called where a component is made. */
export const energyPrice = (): WritableSignal<{ perKilowattHour: number | null }> =>
  deviceSignal<{ perKilowattHour: number | null }>('energy-price', { perKilowattHour: null }, (kept) =>
    typeof kept === 'object' && kept !== null && 'perKilowattHour' in kept && typeof kept.perKilowattHour === 'number'
      ? { perKilowattHour: kept.perKilowattHour }
      : undefined,
  );
