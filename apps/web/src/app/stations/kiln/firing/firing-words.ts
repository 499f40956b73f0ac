import type { FiringDifference, FiringTrouble } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { coneWords } from '../kiln-words';

/** A wait or a time since the beginning: "3 h 20", "40 min". */
export function hoursWords(hours: number): string {
  const minutes = Math.round(hours * 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** What is wrong with a firing that runs, and what to do about it. */
export function troubleWords(trouble: FiringTrouble, units: Units): string {
  switch (trouble.kind) {
    case 'slow':
      return `${units.rate(trouble.wantedPerHour)} are wanted, ${units.rate(Math.max(0, trouble.comePerHour))} come: a dead element, a low voltage, or too much in it? An electrician looks at it when it is cold and off.`;
    case 'behind':
      return `${units.temperatureSpan(trouble.byCelsius)} behind what was wanted. If that grows, it lacks power: an element, or too much in it?`;
    case 'over':
      return `${units.temperatureSpan(trouble.byCelsius)} hotter than wanted: a relay that hangs, or a schedule of another firing? If it goes on rising, switch it off at the wall.`;
    case 'cooling':
      return `It cools by ${units.rate(trouble.perHour)} where it should rise: is the power off, or the door open?`;
    case 'gap':
      return `Nothing was read for ${hoursWords(trouble.hours)}, ${hoursWords(trouble.fromHours)} after its begin.`;
  }
}

/** What was different in a firing that is over. */
export function differenceWords(difference: FiringDifference, units: Units): string {
  switch (difference.kind) {
    case 'cone':
      return `By what was read ${coneWords(difference.came)}; its curve wanted ${coneWords(difference.wanted)}.`;
    case 'peak': {
      const over = difference.cameCelsius - difference.wantedCelsius;
      return `Hottest ${units.temperature(difference.cameCelsius)}, ${units.temperatureSpan(Math.abs(over))} ${over > 0 ? 'over' : 'under'} what was wanted.`;
    }
    case 'way':
      return `At its hottest after ${hoursWords(difference.cameHours)}; ${hoursWords(difference.wantedHours)} were wanted.`;
    case 'hold':
      return `Near its hottest for ${hoursWords(difference.cameMinutes / 60)}; ${hoursWords(difference.wantedMinutes / 60)} were wanted.`;
    case 'cooling':
      return `From ${units.temperature(1_000)} to ${units.temperature(800)} in ${hoursWords(difference.cameHours)}; ${hoursWords(difference.wantedHours)} by the schedule. Slow cooling grows matt crystals.`;
    case 'fall':
      return `${hoursWords(difference.atHours)} after its begin it fell by ${units.temperatureSpan(difference.fellCelsius)}.`;
    case 'gap':
      return `Nothing was read for ${hoursWords(difference.hours)}, ${hoursWords(difference.fromHours)} after its begin.`;
  }
}
