import { TestBed } from '@angular/core/testing';
import { FakeRecords, settle } from '../../testing/records';
import { TakeBack } from './take-back';

describe('taking an entry back', () => {
  const opened = async (): Promise<HTMLElement> => {
    for (let turn = 0; turn < 20 && !document.querySelector('mat-dialog-container'); turn++) await new Promise((done) => setTimeout(done, 5));
    await settle();
    return document.querySelector<HTMLElement>('mat-dialog-container')!;
  };
  const press = (dialog: HTMLElement, name: string): void =>
    [...dialog.querySelectorAll('button')].find((one) => one.textContent!.trim() === name)!.click();
  let taken: number;
  let takeBack: TakeBack;
  beforeEach(() => {
    const records = new FakeRecords();
    records.openStudio();
    takeBack = TestBed.inject(TakeBack);
    taken = 0;
  });

  it('one’s own goes at once', () => {
    takeBack.ask({ by: 'Inés' }, () => taken++);
    takeBack.ask(undefined, () => taken++);
    expect(taken).toBe(2);
  });

  it.each([
    ['Leave it', 0],
    ['Take it back', 1],
  ])('somebody else’s is asked about: %s', async (answer, times) => {
    takeBack.ask({ by: 'Bruno' }, () => taken++);
    expect(taken).toBe(0);
    const dialog = await opened();
    expect(dialog.textContent).toContain('That was Bruno');
    press(dialog, answer);
    await settle();
    await new Promise((done) => setTimeout(done, 20));
    expect(taken).toBe(times);
  });
});
