import { QueryTypes, type Transaction } from 'sequelize';
import type { Context } from '../context';

/** First letter of the codes that are written on the thing itself: buckets, series, step tiles, runner tiles. */
export type CodeLetter = 'B' | 'K' | 'T' | 'R';

/** Locks a studio's codes of one letter until the transaction ends, so that nobody else can make one meanwhile. */
export async function holdCodes({ sequelize }: Context, studioId: string, letter: CodeLetter, transaction: Transaction): Promise<void> {
  await sequelize.query('INSERT INTO code_counters (studio_id, letter, last) VALUES (?, ?, 0) ON DUPLICATE KEY UPDATE last = last', {
    replacements: [studioId, letter],
    transaction,
  });
}

/** Returns the next free code of a studio (T1, T2 …). No two tablets get the same one. */
export async function nextCode(context: Context, studioId: string, letter: CodeLetter, transaction: Transaction): Promise<string> {
  const { sequelize } = context;
  await holdCodes(context, studioId, letter, transaction);
  const options = { replacements: [studioId, letter], transaction };
  await sequelize.query('UPDATE code_counters SET last = last + 1 WHERE studio_id = ? AND letter = ?', options);
  const [row] = await sequelize.query<{ last: number }>('SELECT last FROM code_counters WHERE studio_id = ? AND letter = ?', {
    ...options,
    type: QueryTypes.SELECT,
  });
  return `${letter}${row!.last}`;
}
