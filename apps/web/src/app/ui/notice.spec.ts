import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatSnackBarHarness } from '@angular/material/snack-bar/testing';
import { FakeRecords } from '../../testing/records';
import { FullScreen } from './full-screen';
import { Notice } from './notice';

@Component({ selector: 'cz-anything', template: '' })
class Anything {}

const macrotask = (): Promise<void> => new Promise((done) => setTimeout(done));

describe('what was kept just now', () => {
  const shown = async (): Promise<MatSnackBarHarness> => {
    await macrotask();
    return TestbedHarnessEnvironment.documentRootLoader(TestBed.createComponent(Anything)).getHarness(MatSnackBarHarness);
  };

  it('is said at the foot of the screen, and taken back with one tap', async () => {
    new FakeRecords();
    const takeBack = jest.fn();
    TestBed.inject(Notice).kept('Stirred', takeBack);
    const notice = await shown();
    expect(await notice.getMessage()).toBe('Stirred');
    expect(await notice.getActionDescription()).toBe('Take it back');
    await notice.dismissWithAction();
    expect(takeBack).toHaveBeenCalledTimes(1);
  });

  it('gives way to the next one', async () => {
    new FakeRecords();
    TestBed.inject(Notice).tell('The dip is kept.');
    TestBed.inject(Notice).tell('Silica is kept.');
    const notice = await shown();
    expect(await notice.getMessage()).toBe('Silica is kept.');
    expect(await notice.hasAction()).toBe(false);
  });

  it('what happens by itself waits until nobody can take back what was kept; of two that wait, the newer is told', async () => {
    new FakeRecords();
    const notices = TestBed.inject(Notice);
    notices.kept('10 min more to dry', () => undefined);
    notices.tellLater('The plan changed.');
    notices.tellLater('The plan changed again.');
    const notice = await shown();
    expect(await notice.getMessage()).toBe('10 min more to dry');
    await notice.dismissWithAction();
    // The line goes before the next one comes.
    await new Promise((gone) => setTimeout(gone, 400));
    expect(await (await shown()).getMessage()).toBe('The plan changed again.');
  });

  it('with nothing to be read it is told at once', async () => {
    new FakeRecords();
    TestBed.inject(Notice).tellLater('The plan changed.');
    expect(await (await shown()).getMessage()).toBe('The plan changed.');
  });
});

@Component({ selector: 'cz-some-bench', imports: [FullScreen], template: '<cz-full-screen label="Dip timer"><p>2.4 s</p></cz-full-screen>' })
class SomeBench {}

describe('a bench that fills the screen', () => {
  it('is a named dialog for as long as it is there', async () => {
    new FakeRecords();
    const fixture = TestBed.createComponent(SomeBench);
    await fixture.whenStable();
    const dialog = (): Element | null => document.querySelector('[role="dialog"][aria-label="Dip timer"]');
    expect(dialog()?.textContent).toBe('2.4 s');
    fixture.destroy();
    await macrotask();
    expect(dialog()).toBeNull();
  });
});
