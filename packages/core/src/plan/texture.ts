/** Grooves across, carved lines and trailed slip hold melt; flutes down lead it. */
export type Texture =
  { kind: 'smooth' } | { kind: 'grooves' | 'carved' | 'trailed'; depthMm: number } | { kind: 'flutes'; pitchMm: number; valleyMm: number };

export const SMOOTH: Texture = { kind: 'smooth' };
