/** Twice as far as a drawing reaches, in tenths of its unit. */
const FAR = 8_192;
const told = new Array<string>(2 * FAR + 1).fill('');

/**
 * Returns a coordinate as text, to a tenth. The same ones come again on every move of a drag, and converting a number to text costs more than
 * looking it up.
 */
export function tenth(x: number): string {
  const tenths = Math.round(10 * x);
  if (!(Math.abs(tenths) <= FAR)) return String(tenths / 10);
  return (told[tenths + FAR] ||= String(tenths / 10));
}
