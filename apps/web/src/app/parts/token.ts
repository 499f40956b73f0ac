let looked: { theme: string; colours: Map<string, string> } | undefined;

/**
 * Returns a colour token as the page has it now: canvas cannot read CSS variables. Looked up once for each theme, because reading it forces a
 * layout.
 */
export function token(name: string): string {
  const theme = `${document.documentElement.dataset['theme'] ?? 'auto'} ${window.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'}`;
  if (looked?.theme !== theme) looked = { theme, colours: new Map() };
  const known = looked.colours.get(name);
  if (known) return known;
  const colour = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  if (colour) looked.colours.set(name, colour);
  return colour || '#30231b';
}

/** Draws with the colours of light: paper is white whatever the screen is. */
export function drawLight(draw: () => void): void {
  const { dataset } = document.documentElement;
  const { theme } = dataset;
  dataset['theme'] = 'light';
  draw();
  if (theme === undefined) delete dataset['theme'];
  else dataset['theme'] = theme;
}
