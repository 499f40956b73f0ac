/** Twice as far as a drawing reaches, in tenths of its unit. */
const FAR = 8_192;
const told = new Array<string>(2 * FAR + 1).fill('');

/** A coordinate in words, to a tenth. Those of a drawing come again at every move of a hand, and a number costs more to put in words than to find. */
export function tenth(x: number): string {
  const tenths = Math.round(10 * x);
  if (!(Math.abs(tenths) <= FAR)) return String(tenths / 10);
  return (told[tenths + FAR] ||= String(tenths / 10));
}
