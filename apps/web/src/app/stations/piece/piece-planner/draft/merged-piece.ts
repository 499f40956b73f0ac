import { pieceBodySchema, type PieceBody } from '@cazuela/contract';
import { mergeChanges } from '@cazuela/core';

/** What is decided anew wherever two plans are joined: the safe order stands until somebody moves a step. */
const DECIDED_ANEW = /(^|\.)plan\.(order|versions)$/;

export interface MergedPiece {
  body: PieceBody;
  /** Names of the fields that both changed to something different. */
  conflicts: readonly string[];
}

/** Both changes of one piece in one body. A body that cannot be kept counts as a conflict of the whole plan. */
export function mergedPiece(base: PieceBody, mine: PieceBody, theirs: PieceBody): MergedPiece {
  const { merged, conflicts } = mergeChanges(base, mine, theirs);
  // Both moved steps: neither order is the other's.
  const inOrder = (plan: PieceBody['plan'], name: string): PieceBody['plan'] => (conflicts.includes(`${name}.order`) ? { ...plan, order: [] } : plan);
  const body: PieceBody = {
    ...merged,
    plan: inOrder(merged.plan, 'plan'),
    ...(merged.parts ? { parts: merged.parts.map((part) => ({ ...part, plan: inOrder(part.plan, `parts.${part.id}.plan`) })) } : {}),
  };
  const asked = conflicts.filter((name) => !DECIDED_ANEW.test(name));
  return { body, conflicts: asked.length > 0 || pieceBodySchema.safeParse(body).success ? asked : ['plan'] };
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'the name',
  count: 'how many',
  bodyId: 'the clay body',
  lotId: 'the bisque lot',
  variations: 'the set',
  parts: 'a lid or saucer',
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
  // Of a part of the piece, the field of its plan has the name.
  const [partId, ...inside] = parts[0] === 'parts' ? parts.slice(1) : ['', ...parts];
  const known = inside.map((_, at) => inside.slice(0, inside.length - at).join('.')).find((one) => FIELD_WORDS[one]);
  const whose = mine.parts?.find(({ id }) => id === partId)?.name;
  const told = [mine, theirs].map((body) => valueAt(body, parts));
  const words = `${known ? FIELD_WORDS[known]! : parts[0] === 'parts' ? FIELD_WORDS['parts']! : 'the plan'}${whose ? ` of ${whose}` : ''}`;
  return told.every((value) => typeof value === 'number' || typeof value === 'string') ? `${words} (yours ${told[0]}, theirs ${told[1]})` : words;
}

const valueAt = (body: unknown, parts: readonly string[]): unknown =>
  parts.reduce<unknown>((value, part) => {
    if (Array.isArray(value)) return value.find((one: { id?: string }) => one.id === part);
    return typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[part] : undefined;
  }, body);
