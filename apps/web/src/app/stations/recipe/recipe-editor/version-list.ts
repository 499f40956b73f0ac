import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { RecipeBody, RecipeVersion } from '@cazuela/contract';
import type { Powder } from '@cazuela/core';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { differenceWords } from '../recipe-words';
import { ResourceState } from '../../../ui/resource-state';

/** Every version with its reason and what it changed; any of them can be loaded into the editor. */
@Component({
  selector: 'cz-version-list',
  imports: [MatButton, ResourceState],
  template: `
    <cz-resource-state [resource]="all" />
    <ol class="plain-list ruled">
      @for (row of rows(); track row.version.versionId) {
        <li>
          <p>
            <strong>Version {{ row.version.number }}</strong> <span class="quiet small">{{ row.when }}</span>
          </p>
          <p>{{ row.version.reason }}</p>
          <p class="small">{{ row.words }}</p>
          @if (!$first) {
            <button
              type="button"
              matButton="text"
              [attr.aria-label]="'Bring version ' + row.version.number + ' back'"
              (click)="chosen.emit(row.version.body)"
            >
              Bring it back into the editor
            </button>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    li {
      padding: 0.5rem 0;
    }
    .mat-mdc-button-base {
      padding-left: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VersionList {
  readonly recipeId = input.required<string>();
  /** The newest version: the list is fetched again when it changes. */
  readonly newest = input.required<number>();
  readonly powders = input.required<readonly Powder[]>();
  readonly chosen = output<RecipeBody>();
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  protected readonly all = keyedResource(
    () => `${this.recipeId()}/${this.newest()}`,
    (key) => this.api.recipeVersions(key.split('/')[0]!),
  );
  protected readonly rows = computed(() =>
    (this.all.value() ?? []).map((version, index, all) => ({
      version,
      when: formatDateTime(version.changedAt),
      words: this.wordsFor(version, all[index + 1]),
    })),
  );

  private wordsFor(version: RecipeVersion, before: RecipeVersion | undefined): string {
    return before ? differenceWords(before.body, version.body, this.powders(), this.units) : 'The first one.';
  }
}
