import { type ElementRef, ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map, pairwise, startWith, tap } from 'rxjs';
import { Keys } from './data/devices/keys';
import { Outbox } from './data/offline/outbox';
import { PhotoQueue } from './data/photos/photo-queue';
import { StudioStore } from './data/state/studio-store';
import { FirstHourStrip } from './parts/first-hour/first-hour-strip';
import { ConnectionStrip } from './shell/connection-strip';
import { NavigationTrouble } from './shell/navigation-trouble';
import { OpensDialogs } from './shell/opens-dialogs';
import { STATIONS } from './shell/stations';

/** The shell: stations left to right in the order of the work, keys, and the state of the connection. */
@Component({
  selector: 'cz-root',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, ConnectionStrip, FirstHourStrip],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'keys.press($event)', '(document:pointerdown)': 'keys.point($event)', '(window:beforeunload)': 'stay($event)' },
})
export class App {
  private readonly router = inject(Router);
  private readonly dialogs = inject(OpensDialogs);
  private readonly trouble = inject(NavigationTrouble);
  private readonly main = viewChild.required<ElementRef<HTMLElement>>('main');
  private readonly outbox = inject(Outbox);
  private readonly photos = inject(PhotoQueue);
  protected readonly keys = inject(Keys);
  protected readonly studio = inject(StudioStore);
  protected readonly stations = STATIONS;
  protected readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      tap(() => this.trouble.clear()),
      map((event) => event.urlAfterRedirects),
      // A screen reader starts at the new page, not at the link that led there. Another tab of the same page leaves the focus where it is.
      startWith(undefined),
      pairwise(),
      tap(([before, now]) => before !== undefined && pathOf(before) !== pathOf(now!) && this.main().nativeElement.focus({ preventScroll: true })),
      map(([, now]) => now!),
    ),
    { initialValue: '/' },
  );
  /** The weighing bench fills the screen: the potter's hands are busy, so nothing else is shown. */
  protected readonly onBench = computed(() => /^\/weigh\/(?!series)[^/?]+/.test(this.url()));
  protected readonly studioName = computed(() => this.studio.studio()?.name ?? '');

  constructor() {
    this.outbox.run$.pipe(takeUntilDestroyed()).subscribe();
    // Each screen tells that the studio cannot be fetched, and asks again.
    this.studio.id$.pipe(takeUntilDestroyed()).subscribe({ next: () => void this.photos.open(), error: () => undefined });
    this.keys.bind([
      ...STATIONS.map((station, index) => ({
        keys: [String(index + 1)],
        words: station.name,
        run: () => void this.router.navigateByUrl(station.path),
      })),
      { keys: ['0', 'h'], words: 'What now?', run: () => void this.router.navigateByUrl('/') },
      { keys: ['/'], words: 'find by name or code', run: () => this.find() },
      { keys: ['?'], words: 'the keys of this screen', run: () => this.showKeys() },
    ]);
  }

  /** On a phone the stations are wider than the screen: the one that is open is always seen. */
  protected bringIntoView(link: HTMLElement): void {
    link.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  }

  /** Events and photos that are kept by this page alone would be lost with it: the browser asks first. */
  protected stay(event: BeforeUnloadEvent): void {
    if (this.outbox.unkeptCount() + this.photos.unkeptCount() > 0) event.preventDefault();
  }

  protected find(): void {
    void this.dialogs.palette();
  }

  protected showKeys(): void {
    void this.dialogs.keys();
  }

  /** The address stays: under a base, "#main" alone would lead to the first page. */
  protected toWork(event: Event): void {
    event.preventDefault();
    this.main().nativeElement.focus();
  }
}

const pathOf = (url: string): string => url.split('?')[0]!;
