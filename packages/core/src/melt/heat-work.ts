import { PotterError } from '../checks/potter-error';
import { requireNumber } from '../checks/require';
import { simpson } from '../math/quadrature';
import { CONES } from './cones';

/** A point of a firing curve. */
export interface FiringPoint {
  hours: number;
  celsius: number;
}

/** Gas constant, kJ/(mol K), CODATA 2018. */
const GAS_CONSTANT = 8.314462618e-3;
/** 1222 °C, where cone 6 bends. It only sets the scale of the integral. */
const REFERENCE_KELVIN = 1495.15;
/** Activation energy of glaze flow, kJ/mol, ± 60. */
export const FLOW_ACTIVATION = 350;
/** Activation energy that lines the cones up with one another, kJ/mol. */
export const CONE_ACTIVATION = 700;
/** Simpson panels of a straight piece are at most this wide, °C: error below 1e-5 on any firing tried. A log has hundreds of short pieces. */
const PANEL_CELSIUS = 5;

/** Reference firing to cone 6: 20 → 1122 °C in 8 h, → 1222 in 1 h 40, 10 min hold, → 600 in 5 h 10. */
export const REFERENCE_FIRING: readonly FiringPoint[] = [
  { hours: 0, celsius: 20 },
  { hours: 8, celsius: 1122 },
  { hours: 8 + 100 / 60, celsius: 1222 },
  { hours: 8 + 110 / 60, celsius: 1222 },
  { hours: 15, celsius: 600 },
];

/**
 * Returns the heat-work of a firing, as hours at 1222 °C: ∫exp(−E/R(1/T − 1/1495.15 K))dt.
 *
 * Error below 1e-5 on any firing tried (Simpson, panels of at most 5 °C).
 *
 * @param question - `firing`, two points or more, hours rising; `activationKjPerMol`, above 0
 * @throws PotterError for fewer points, hours that go back, or what is no number
 * @example
 * heatWorkHours({ firing: [{ hours: 0, celsius: 1222 }, { hours: 2, celsius: 1222 }], activationKjPerMol: FLOW_ACTIVATION }) // 2
 */
export function heatWorkHours({ firing, activationKjPerMol }: { firing: readonly FiringPoint[]; activationKjPerMol: number }): number {
  if (firing.length < 2) throw new PotterError('emptyList', 'firing', firing.length, 'A firing needs at least two points.');
  const rate = (celsius: number): number => Math.exp((-activationKjPerMol / GAS_CONSTANT) * (1 / (celsius + 273.15) - 1 / REFERENCE_KELVIN));
  let sum = 0;
  for (let i = 1; i < firing.length; i++) {
    const a = firing[i - 1]!;
    const b = firing[i]!;
    const hours = requireNumber('hours', b.hours) - requireNumber('hours', a.hours);
    if (hours < 0) throw new PotterError('wrongSide', 'hours', b.hours, `The firing goes back in time at ${b.hours} h: put its points in order.`);
    requireNumber('celsius', a.celsius);
    requireNumber('celsius', b.celsius);
    sum +=
      a.celsius === b.celsius
        ? hours * rate(a.celsius)
        : hours * simpson((share) => rate(a.celsius + share * (b.celsius - a.celsius)), panelsOf(b.celsius - a.celsius));
  }
  return sum;
}

const panelsOf = (riseCelsius: number): number => 2 * Math.ceil(Math.abs(riseCelsius) / (2 * PANEL_CELSIUS));

/**
 * Returns how many times as much a glaze flows in a firing as in the reference.
 *
 * @param question - `firing` and `reference`, as for `heatWorkHours`; `activationKjPerMol`, above 0
 * @throws PotterError as `heatWorkHours`
 * @example
 * flowRatio({ firing: REFERENCE_FIRING, reference: REFERENCE_FIRING, activationKjPerMol: FLOW_ACTIVATION }) // 1
 */
export function flowRatio(question: { firing: readonly FiringPoint[]; reference: readonly FiringPoint[]; activationKjPerMol: number }): number {
  const { firing, reference, activationKjPerMol } = question;
  return heatWorkHours({ firing, activationKjPerMol }) / heatWorkHours({ firing: reference, activationKjPerMol });
}

export type ConeReached =
  { kind: 'between'; lower: string; upper: string; fraction: number } | { kind: 'below'; cone: string } | { kind: 'above'; cone: string };

let rampWork: { cone: string; lnWork: number }[] | undefined;

/** ln heat-work of each cone's own 60 °C/h ramp from 20 °C. Computed once: it never changes. */
function coneTable(): { cone: string; lnWork: number }[] {
  rampWork ??= CONES.map(({ cone, celsius }) => {
    const firing = [
      { hours: 0, celsius: 20 },
      { hours: (celsius - 20) / 60, celsius },
    ];
    return { cone, lnWork: Math.log(heatWorkHours({ firing, activationKjPerMol: CONE_ACTIVATION })) };
  });
  return rampWork;
}

/**
 * Returns the cone that a firing reached, from its heat-work. A witness cone read by eye counts before it.
 *
 * @param question - `firing`, as for `heatWorkHours`
 * @throws PotterError as `heatWorkHours`
 * @example
 * coneReached({ firing: [{ hours: 0, celsius: 20 }, { hours: 1202 / 60, celsius: 1222 }] })
 * // { kind: 'between', lower: '5', upper: '6', fraction: 1 }
 */
export function coneReached({ firing }: { firing: readonly FiringPoint[] }): ConeReached {
  const table = coneTable();
  const lnWork = Math.log(heatWorkHours({ firing, activationKjPerMol: CONE_ACTIVATION }));
  if (!(lnWork >= table[0]!.lnWork)) return { kind: 'below', cone: table[0]!.cone };
  for (let i = 1; i < table.length; i++) {
    const lower = table[i - 1]!;
    const upper = table[i]!;
    if (lnWork <= upper.lnWork) {
      return { kind: 'between', lower: lower.cone, upper: upper.cone, fraction: (lnWork - lower.lnWork) / (upper.lnWork - lower.lnWork) };
    }
  }
  return { kind: 'above', cone: table.at(-1)!.cone };
}
