import { whileUnchanged } from './unchanged';

describe('what is computed from records', () => {
  it('is computed again only when one of them is another one', () => {
    const sum = jest.fn(({ pieces, results }: { pieces: number[]; results: number[] }) => pieces.length + results.length);
    const made = whileUnchanged(sum);
    const [pieces, results] = [[1, 2], [3]];
    expect([made({ pieces, results }), made({ pieces, results })]).toEqual([3, 3]);
    expect(sum).toHaveBeenCalledTimes(1);
    expect(made({ pieces, results: [...results, 4] })).toBe(4);
    expect(made({ pieces: [], results })).toBe(1);
    expect(sum).toHaveBeenCalledTimes(3);
  });
});
