import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { readRecipeText, type Powder, type RecipeLine } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';
import { TextArea } from '../../../ui/text-area';

/** Lines pasted from a spreadsheet, checked before they replace those of the recipe. */
@Component({
  selector: 'cz-paste-panel',
  imports: [AutocompleteField, MatButton, TextArea],
  template: `
    <cz-text-area
      label="Powders and percentages, one line each"
      hint="After an empty line, or with a + in front, a line goes over the base."
      placeholder="Silica	30&#10;Kaolin	20&#10;&#10;Tin oxide	4"
      [rows]="5"
      [longest]="20000"
      [value]="text()"
      (changed)="text.set($event)"
    />
    @if (text().trim()) {
      <table class="sheet" aria-label="As it was read">
        @for (line of read().lines; track line.number) {
          <tr>
            <td>{{ line.powder.name }}</td>
            <td class="num">{{ line.percent }} %</td>
            <td class="quiet small">{{ line.part === 'base' ? 'base' : 'over the base' }}</td>
          </tr>
        }
      </table>
      @for (line of read().unread; track line.number) {
        <div class="unread">
          <p class="field-error" role="alert">Line {{ line.number }}: {{ line.message }}</p>
          @if (line.name; as name) {
            <cz-autocomplete [label]="'“' + name + '” is our'" [options]="options()" [value]="''" (changed)="learn(name, $event)" />
          }
        </div>
      }
      <button type="button" matButton="filled" [disabled]="read().lines.length === 0 || read().unread.length > 0" (click)="take()">
        Put {{ read().lines.length }} {{ read().lines.length === 1 ? 'line' : 'lines' }} in place of these
      </button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    cz-text-area {
      width: 100%;
    }
    .sheet {
      width: auto;
      min-width: 20rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PastePanel {
  readonly powders = input.required<readonly Powder[]>();
  readonly taken = output<RecipeLine[]>();
  /** Another name of a powder, said once and known from then on. */
  readonly learnt = output<{ powderId: string; alias: string }>();
  protected readonly options = computed((): FieldOption[] => this.powders().map(({ id, name }) => [id, name]));
  protected readonly text = signal('');
  protected readonly read = computed(() => readRecipeText({ text: this.text(), powders: this.powders() }));

  protected learn(alias: string, powderId: string): void {
    if (powderId) this.learnt.emit({ powderId, alias });
  }

  protected take(): void {
    this.taken.emit(this.read().lines.map(({ powder, part, percent }) => ({ id: uuid(), powderId: powder.id, part, percent })));
    this.text.set('');
  }
}
