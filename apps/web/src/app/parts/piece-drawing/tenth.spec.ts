import { tenth } from './tenth';

describe('a coordinate in words', () => {
  it('is what rounding to a tenth gives, the first time and every time after', () => {
    for (let x = -900; x <= 900; x += 0.37) for (let time = 0; time < 2; time++) expect(tenth(x)).toBe(String(Math.round(10 * x) / 10));
  });

  it('beyond the list too, and what is nothing has no sign', () => {
    expect([819.2, -819.2, 819.3, -819.3, 12_345.67].map(tenth)).toEqual(['819.2', '-819.2', '819.3', '-819.3', '12345.7']);
    expect(tenth(-0.02)).toBe('0');
  });
});
