import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PreferencesStore } from '../../data/state/preferences';
import { Choice } from '../../ui/choice';

/** Units and light of this device: each tablet and phone has its own. */
@Component({
  selector: 'cz-device-page',
  imports: [Choice, RouterLink],
  template: `
    <div class="page">
      <p class="small"><a routerLink="/studio">Studio</a></p>
      <h1>This device</h1>
      <p class="quiet">Each tablet and phone shows its own units. What is kept is the same.</p>
      <div class="choices">
        <cz-choice label="Weights" [options]="masses" [value]="preferences.value().mass" (changed)="preferences.set({ mass: $event })" />
        <cz-choice label="Volumes" [options]="volumes" [value]="preferences.value().volume" (changed)="preferences.set({ volume: $event })" />
        <cz-choice label="Coats" [options]="coats" [value]="preferences.value().coat" (changed)="preferences.set({ coat: $event })" />
        <cz-choice label="Sizes" [options]="lengths" [value]="preferences.value().length" (changed)="preferences.set({ length: $event })" />
        <cz-choice
          label="Temperature"
          [options]="temperatures"
          [value]="preferences.value().temperature"
          (changed)="preferences.set({ temperature: $event })"
        />
        <cz-choice label="Light" [options]="themes" [value]="preferences.value().theme" (changed)="preferences.set({ theme: $event })" />
      </div>
    </div>
  `,
  styles: `
    .choices {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
      gap: 1.2rem;
      max-width: 52rem;
      margin-top: 1.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DevicePage {
  protected readonly preferences = inject(PreferencesStore);
  protected readonly masses = [
    ['g', 'g'],
    ['oz', 'oz'],
    ['lb', 'lb'],
  ] as const;
  protected readonly volumes = [
    ['metric', 'mL, L'],
    ['US', 'US'],
    ['imp', 'imperial'],
  ] as const;
  protected readonly coats = [
    ['mm', 'mm'],
    ['thou', 'thou'],
  ] as const;
  protected readonly lengths = [
    ['mm', 'mm'],
    ['in', 'inches'],
  ] as const;
  protected readonly temperatures = [
    ['C', '°C'],
    ['F', '°F'],
  ] as const;
  protected readonly themes = [
    ['auto', 'device'],
    ['light', 'light'],
    ['dark', 'dark'],
  ] as const;
}
