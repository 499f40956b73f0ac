/** Grooves, carved lines and trailed slip hold melt; flutes lead it down. */
export type Texture =
  { kind: 'smooth' } | { kind: 'grooves' | 'carved' | 'trailed'; depthMm: number } | { kind: 'flutes'; pitchMm: number; valleyMm: number };

export const SMOOTH: Texture = { kind: 'smooth' };
