import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '../src/index';

/**
 * Worked cases by file: `fn` names a core function, `in` is its one argument, `out` the result or the fields it must
 * have, within `relTol`. Another folder of cases may be named by CAZUELA_VECTORS.
 */
interface WorkedCase {
  fn: string;
  in: unknown;
  out: unknown;
  relTol: number;
}

const folder = process.env['CAZUELA_VECTORS'] ?? join(__dirname, 'vectors');
const files = readdirSync(folder).filter((name) => name.endsWith('.json'));

function expectClose(actual: unknown, wanted: unknown, relTol: number, path: string): void {
  if (typeof wanted === 'number') {
    expect(typeof actual).toBe('number');
    const difference = Math.abs((actual as number) - wanted);
    if (!(difference <= relTol * Math.max(Math.abs(wanted), 1e-12))) throw new Error(`${path}: got ${String(actual)}, wanted ${wanted}`);
  } else if (Array.isArray(wanted)) {
    expect(actual).toHaveLength(wanted.length);
    wanted.forEach((value, i) => expectClose((actual as unknown[])[i], value, relTol, `${path}[${i}]`));
  } else if (wanted !== null && typeof wanted === 'object') {
    expect(actual).toBeInstanceOf(Object);
    for (const [key, value] of Object.entries(wanted)) expectClose((actual as Record<string, unknown>)[key], value, relTol, `${path}.${key}`);
  } else {
    expect(actual).toBe(wanted);
  }
}

describe('worked cases', () => {
  it('are there at all', () => {
    expect(files.length).toBeGreaterThan(0);
  });

  for (const file of files) {
    const cases = JSON.parse(readFileSync(join(folder, file), 'utf8')) as WorkedCase[];
    it(`${file} has cases`, () => {
      expect(cases.length).toBeGreaterThan(0);
    });
    cases.forEach((worked, index) => {
      it(`${file} ${index + 1}: ${worked.fn}`, () => {
        const compute = (core as unknown as Record<string, (question: unknown) => unknown>)[worked.fn];
        if (typeof compute !== 'function') throw new Error(`the core has no function “${worked.fn}”`);
        expectClose(compute(worked.in), worked.out, worked.relTol, worked.fn);
      });
    });
  }
});
