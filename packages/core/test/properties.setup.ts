import fc from 'fast-check';

/**
 * The same draws in every run of the tests, so that a change is judged by itself. `./cazuela explore` draws new ones, and many more, to find what
 * no draw has hit yet.
 */
const seed = Number(process.env['CAZUELA_SEED'] ?? 20_261);
const times = Number(process.env['CAZUELA_DRAWS'] ?? 1);
fc.configureGlobal({ seed });

if (times > 1) {
  jest.mock('fast-check', () => {
    const real = jest.requireActual<typeof import('fast-check')>('fast-check');
    const assert = <T>(property: fc.IProperty<T>, how: fc.Parameters<T> = {}): void =>
      real.assert(property, { ...how, numRuns: times * (how.numRuns ?? 100) });
    return { ...real, __esModule: true, default: { ...real, assert } };
  });
}
