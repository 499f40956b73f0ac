import { Screen } from '../../../testing/screen';
import { FakeRecords } from '../../../testing/records';
import { WordsPage } from '../../stations/studio/words-page';
import { explained, meaningOf } from './explain';
import { ExplainedText } from './explained-text';

describe('words of the craft', () => {
  it('are found in a text, the first mention of each, longer names before shorter ones', () => {
    const parts = explained('Shrink share 13: a runner tile, and another runner tile at this SG.');
    expect(parts.filter((part) => part.meaning).map((part) => part.text)).toEqual(['Shrink share', 'runner tile', 'SG']);
    expect(parts.map((part) => part.text).join('')).toBe('Shrink share 13: a runner tile, and another runner tile at this SG.');
    // Not inside other words.
    expect(
      explained('filmy conesque SGs')
        .filter((part) => part.meaning)
        .map((part) => part.text),
    ).toEqual(['SGs']);
    expect(explained('')).toEqual([]);
  });

  it('each that explains itself has a meaning', () => {
    for (const word of ['SG', 'shrink share', 'over the base', 'runner tile', 'flow figure', 'cone seen', 'step tile', 'witness cone'])
      expect(meaningOf(word)).toMatch(/\w{3,}/);
  });

  it('a tap opens what it means, another closes it', async () => {
    new FakeRecords();
    const screen = await Screen.open(ExplainedText, { text: 'at this SG' });
    const meaning = (): string => document.querySelector('.meaning')?.textContent ?? '';
    await screen.press('SG');
    expect(meaning()).toMatch(/SG specific gravity/);
    expect(screen.button('SG').getAttribute('aria-expanded')).toBe('true');
    await screen.press('SG');
    expect(meaning()).toBe('');
  });

  it('all of them on one page, found by typing, the word itself first', async () => {
    new FakeRecords();
    const screen = await Screen.open(WordsPage, { called: 'wax' });
    expect(screen.all('dt')[0]!.textContent).toContain('wax');
    expect((await Screen.open(WordsPage, { called: 'zzzz' })).text).toContain('No word here is like that.');
  });
});
