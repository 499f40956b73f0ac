import { pieceBodySchema, type PieceBody } from '@cazuela/contract';
import { mergeChanges } from '@cazuela/core';

/** What is decided anew wherever two plans are joined: the safe order stands until somebody moves a step. */
const DECIDED_ANEW = ['plan.order', 'plan.versions'];

export interface MergedPiece {
  body: PieceBody;
  /** Names of the fields that both changed to something different. */
  conflicts: readonly string[];
}

/** Both changes of one piece in one body. A body that cannot be kept counts as a conflict of the whole plan. */
export function mergedPiece(base: PieceBody, mine: PieceBody, theirs: PieceBody): MergedPiece {
  const { merged, conflicts } = mergeChanges(base, mine, theirs);
  // Both moved steps: neither order is the other's.
  const body = conflicts.includes('plan.order') ? { ...merged, plan: { ...merged.plan, order: [] } } : merged;
  const asked = conflicts.filter((name) => !DECIDED_ANEW.includes(name));
  return { body, conflicts: asked.length > 0 || pieceBodySchema.safeParse(body).success ? asked : ['plan'] };
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'the name',
  count: 'how many',
  bodyId: 'the clay body',
  lotId: 'the bisque lot',
  variations: 'the set',
  plan: 'the plan',
  'plan.form': 'the form',
  'plan.shapeId': 'the form',
  'plan.zones': 'the coats',
  'plan.strips': 'a strip',
  'plan.masks': 'what is kept bare',
  'plan.waxFootMm': 'the waxed foot',
  'plan.rimBandMm': 'the rim band',
  'plan.cone': 'the cone',
  'plan.setting': 'how it stands',
  'plan.firing': 'the firing',
  'plan.edges': 'an edge',
  'plan.textures': 'the surface',
};

/** A changed field in the words of the bench, by the nearest name there is, with what it is in both. */
export function differenceWords(name: string, mine: PieceBody, theirs: PieceBody): string {
  const parts = name.split('.');
  const known = parts.map((_, at) => parts.slice(0, parts.length - at).join('.')).find((one) => FIELD_WORDS[one]);
  const told = [mine, theirs].map((body) => valueAt(body, parts));
  const words = known ? FIELD_WORDS[known]! : 'the plan';
  return told.every((value) => typeof value === 'number' || typeof value === 'string') ? `${words} (yours ${told[0]}, theirs ${told[1]})` : words;
}

const valueAt = (body: unknown, parts: readonly string[]): unknown =>
  parts.reduce<unknown>((value, part) => (typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[part] : undefined), body);
