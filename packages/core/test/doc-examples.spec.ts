import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Matrix } from 'ml-matrix';
import { transpileModule } from 'typescript';

/**
 * The examples in the doc comments of core, contract and formats, each computed again. An example is an expression, then `// ` and its value;
 * numbers agree to six digits.
 */
const ROOT = join(__dirname, '../../..');
const FILES = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', 'packages/*/src/*.ts'], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter((file) => file.endsWith('.ts'));

interface Example {
  file: string;
  expression: string;
  value: string;
}

function examplesIn(file: string): Example[] {
  const comments = readFileSync(join(ROOT, file), 'utf8').match(/\/\*\*[\s\S]*?\*\//g) ?? [];
  return comments.flatMap((comment) => {
    const [, text] = comment.replace(/^ *\* ?/gm, '').split('@example');
    if (!text) return [];
    const at = text.lastIndexOf('// ');
    return [
      {
        file,
        expression: text
          .slice(0, at)
          .replace(/^\s*\/\/.*$/gm, '')
          .trim(),
        value: text
          .slice(at + 3)
          .replace(/\/\s*$/, '')
          .trim(),
      },
    ];
  });
}

const scope: Record<string, unknown> = { Matrix };

function evaluate(expression: string): unknown {
  const script = transpileModule(`(${expression})`, { compilerOptions: { target: 9 } })
    .outputText.trim()
    .replace(/;$/, '');
  return new Function(...Object.keys(scope), `return ${script}`)(...Object.values(scope));
}

function expectSame(actual: unknown, wanted: unknown): void {
  if (typeof wanted === 'number') {
    expect(Math.abs((actual as number) - wanted)).toBeLessThanOrEqual(2e-7 * Math.max(1, Math.abs(wanted)));
  } else if (wanted !== null && typeof wanted === 'object') {
    expect(Object.keys(actual as object).length).toBeGreaterThanOrEqual(Object.keys(wanted).length);
    for (const [key, value] of Object.entries(wanted)) expectSame((actual as Record<string, unknown>)[key], value);
  } else {
    expect(actual).toEqual(wanted);
  }
}

const EXAMPLES = FILES.flatMap(examplesIn);

describe('an example in a doc comment', () => {
  beforeAll(async () => {
    for (const file of FILES) Object.assign(scope, await import(join(ROOT, file)));
  });

  it('stands at hundreds of functions', () => {
    expect(EXAMPLES.length).toBeGreaterThan(350);
  });

  it.each(EXAMPLES.map((example) => [example.file.replace('packages/', ''), example.expression, example] as const))(
    'gives what it says, %s: %s',
    (_file, _expression, { expression, value }) => {
      expectSame(evaluate(expression), evaluate(value));
    },
  );
});
