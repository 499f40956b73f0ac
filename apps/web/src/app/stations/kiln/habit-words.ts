import type { KilnHabits } from '../../data/state/kiln-pace';

const logs = (count: number): string => `${count} ${count === 1 ? 'log' : 'logs'}`;

/** What the cooling and the energy that are told of a kiln rest on. */
export function habitGround(habits: KilnHabits | undefined): string {
  const cooling =
    habits && habits.pace.coolingLogs > 0 ? `its cooling is learnt from ${logs(habits.pace.coolingLogs)}` : 'its cooling is a usual guess';
  const energy =
    habits && habits.energy.firings > 0 ? `its energy is put right by ${logs(habits.energy.firings)}` : 'its energy is good to a third or so';
  return `${cooling}, slower the fuller it is; ${energy}.`;
}

/** Its habits as its card tells them. */
export function habitWords({ pace, energy }: KilnHabits): string {
  if (pace.coolingLogs === 0 && energy.firings === 0) return 'No firing of it was logged down to 120 °C yet: how fast it cools is a usual guess.';
  const cools =
    pace.coolingLogs > 0
      ? `Empty, what it is over the room falls to a third in ${pace.coolingHours.toFixed(1)} h (from ${logs(pace.coolingLogs)}).`
      : '';
  const percent = Math.round(100 * (energy.factor - 1));
  const beside =
    Math.abs(percent) < 3
      ? 'as much energy as its card foretells'
      : `${Math.abs(percent)} % ${percent > 0 ? 'more' : 'less'} energy than its card foretells`;
  return [cools, energy.firings > 0 ? `It takes ${beside} (from ${logs(energy.firings)}).` : ''].filter((words) => words !== '').join(' ');
}
