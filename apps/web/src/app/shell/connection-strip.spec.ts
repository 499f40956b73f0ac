import { ErrorHandler } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FakeRecords } from '../../testing/records';
import { Screen } from '../../testing/screen';
import { AppErrorHandler, AppFaults } from './app-error-handler';
import { ConnectionStrip } from './connection-strip';

describe('when something goes wrong in a page, the potter', () => {
  let logged: unknown[];
  let warned: unknown[];
  const open = async (): Promise<Screen<ConnectionStrip>> => {
    new FakeRecords([{ provide: ErrorHandler, useClass: AppErrorHandler }]);
    return Screen.open(ConnectionStrip);
  };
  const goesWrong = (error: unknown): void => TestBed.inject(ErrorHandler).handleError(error);

  beforeEach(() => {
    [logged, warned] = [[], []];
    jest.spyOn(console, 'error').mockImplementation((...all) => void logged.push(...all));
    jest.spyOn(console, 'warn').mockImplementation((...all) => void warned.push(...all));
  });
  afterEach(() => jest.restoreAllMocks());

  it('is told nothing while all is well', async () => {
    expect((await open()).text).toBe('');
  });

  it('is told that part of the page may not work, and can load it again or go on', async () => {
    const screen = await open();
    const error = new TypeError('x is undefined');
    goesWrong(error);
    await screen.settle();
    expect(screen.text).toContain('Something in this page went wrong');
    expect(screen.text).toContain('Steps noted up to now are kept.');
    expect(screen.has('Load it again')).toBe(true);
    // Whoever looks into it finds the error itself, not the sentence.
    expect(logged).toContain(error);
    await screen.press('Not now');
    expect(screen.text).toBe('');
  });

  it.each([
    'Failed to fetch dynamically imported module: http://127.0.0.1/chunk-A.js',
    'error loading dynamically imported module: http://127.0.0.1/chunk-A.js',
    'Importing a module script failed.',
  ])('is told of a part that could not be fetched, which is no fault of the page: %s', async (message) => {
    const screen = await open();
    goesWrong(new TypeError(message));
    await screen.settle();
    expect(screen.text).toContain('That part is not on this device yet');
    expect(screen.has('Load it again')).toBe(false);
    expect([logged.length, warned.length]).toEqual([0, 1]);
    await screen.press('Put this aside');
    expect(screen.text).toBe('');
  });

  it('is told once, however often it goes wrong, and whatever was thrown', async () => {
    const screen = await open();
    for (const error of ['a text', undefined, { code: 7 }]) goesWrong(error);
    await screen.settle();
    expect(screen.all('p')).toHaveLength(1);
    expect(TestBed.inject(AppFaults).fault()).toBe('ours');
  });
});
