import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { FakeRecords } from '../testing/records';
import { Screen } from '../testing/screen';
import { App } from './app';
import { routes } from './app.routes';
import { provideIcons } from './icons';
import { OpensDialogs } from './shell/opens-dialogs';
import { STATIONS } from './shell/stations';

describe('the shell', () => {
  const open = async (): Promise<Screen<App>> => {
    const records = new FakeRecords([provideIcons()]);
    records.openStudio();
    return Screen.open(App);
  };

  it('lists the stations in the order of the work', async () => {
    const screen = await open();
    expect(screen.all('nav a').map((link) => link.textContent!.trim().split(/\s+/)[0])).toEqual([
      'Recipe',
      'Weigh',
      'Bucket',
      'Coat',
      'Piece',
      'Day',
      'Kiln',
      'Wall',
    ]);
    expect(screen.text).toContain('Taller La Perdiz Inés');
  });

  it('keys 1 to 8 go to them, 0 asks what now', async () => {
    const screen = await open();
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    for (const key of ['1', '8', '0']) await screen.key(key);
    expect(navigate.mock.calls.map(([url]) => url)).toEqual(['/recipe', '/wall', '/']);
  });

  it('/ finds and ? shows the keys', async () => {
    const screen = await open();
    const dialogs = TestBed.inject(OpensDialogs);
    const palette = jest.spyOn(dialogs, 'palette').mockResolvedValue();
    const keys = jest.spyOn(dialogs, 'keys').mockResolvedValue();
    await screen.key('/');
    await screen.key('?');
    expect([palette.mock.calls.length, keys.mock.calls.length]).toEqual([1, 1]);
  });

  it('every station has its route, each fetched when it is first opened', () => {
    for (const station of STATIONS) {
      const route = routes.find((one) => `/${one.path}` === station.path);
      expect(route?.loadComponent).toBeDefined();
      expect(route?.title).toContain('Cazuela');
    }
  });
});
