import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { FORM_LIMITS, formOf, PIECE_FORMS, tallMm, widestMm, type Grip, type PieceForm, type PiecePlan, type PieceShape } from '@cazuela/core';
import { Choice } from '../../../../ui/choice';
import { NumberField } from '../../../../ui/number-field';
import { round, withPoint } from './board-handles';
import { PieceDraft } from '../draft/piece-draft';
import { SelectField } from '../../../../ui/select-field';
import { Checkbox } from '../../../../ui/checkbox';
import type { FieldOption } from '../../../../ui/options';

const GRIP_SIZES: Record<Grip['kind'], Pick<Grip, 'outMm' | 'widthMm' | 'thickMm'>> = {
  handle: { outMm: 32, widthMm: 18, thickMm: 8 },
  lugs: { outMm: 15, widthMm: 30, thickMm: 9 },
};

/** The form by numbers: its size, wall and foot, the selected point, handle or lugs, and a drain hole. */
@Component({
  selector: 'cz-form-panel',
  imports: [Checkbox, Choice, MatButton, MatIcon, NumberField, SelectField],
  templateUrl: './form-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
    }
    fieldset {
      display: grid;
      gap: 0.6rem;
      margin: 0;
      padding: 0.5rem 0 0;
      border: 0;
      border-top: 1px solid var(--line);
    }
    legend {
      float: left;
      font: 700 1.05rem/1.3 var(--heading);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly chosen = input<string>();
  readonly snaps = input(true);
  readonly snapsChange = output<boolean>();
  readonly chosenChange = output<string | undefined>();
  protected readonly draft = inject(PieceDraft);
  protected readonly forms = PIECE_FORMS;
  protected readonly mostPoints = FORM_LIMITS.points;
  protected readonly feet = [
    ['flat', 'flat'],
    ['ring', 'a foot ring'],
    ['flared', 'flared'],
  ] as const;
  protected readonly grips = [
    ['none', 'nothing'],
    ['handle', 'a handle'],
    ['lugs', 'lugs'],
  ] as const;
  protected readonly gripFields = [
    ['upperMm', 'Upper joint'],
    ['lowerMm', 'Lower joint'],
    ['outMm', 'Stands out'],
    ['widthMm', 'Its width'],
    ['thickMm', 'Its thickness'],
  ] as const;
  protected readonly form = computed(() => formOf(this.plan()));
  /** The form at this moment: the one shown here follows a drag only when it rests. */
  private readonly formNow = (): PieceForm => formOf(this.draft.body()?.plan ?? this.plan());
  protected readonly high = computed(() => tallMm(this.shape()));
  protected readonly wide = computed(() => round(2 * widestMm(this.shape())));
  protected readonly at = computed(() => {
    const index = this.chosen()?.startsWith('point ') ? Number(this.chosen()!.slice(6)) : -1;
    const point = this.form().points[index];
    return point && { ...point, index };
  });
  protected readonly startedFromOptions = computed((): FieldOption[] => this.forms.map((one) => [one.id, one.name] as const));

  protected start(shapeId: string): void {
    this.chosenChange.emit(undefined);
    this.draft.plan({ shapeId, form: undefined, ...(shapeId === 'liddedPot' ? { lid: true } : {}) });
  }

  /** All of it by the same share: a form keeps its line when it grows. */
  protected stretch(size: 'heightMm' | 'radiusMm', to: number | null): void {
    const now = size === 'heightMm' ? this.high() : this.wide();
    if (!to || now <= 0) return;
    const share = to / now;
    const { points, grip } = this.formNow();
    const stretched: Partial<PieceForm> = { points: points.map((point) => ({ ...point, [size]: round(point[size] * share) })) };
    const held = grip && size === 'heightMm' ? { grip: { ...grip, upperMm: round(grip.upperMm * share), lowerMm: round(grip.lowerMm * share) } } : {};
    this.draft.form({ ...stretched, ...held });
  }

  protected movePoint(change: Partial<PieceForm['points'][number]>): void {
    const at = this.at();
    if (at) this.draft.form({ points: this.formNow().points.map((point, index) => (index === at.index ? { ...point, ...change } : point)) });
  }

  addPoint(after: number): void {
    this.draft.form({ points: withPoint(this.formNow().points, after) });
    this.chosenChange.emit(`point ${Math.min(after, this.formNow().points.length - 2) + 1}`);
  }

  removePoint(index: number): void {
    const { points } = this.formNow();
    if (index === 0 || index === points.length - 1) return;
    this.draft.form({ points: points.filter((_, at) => at !== index) });
    this.chosenChange.emit(undefined);
  }

  protected hold(kind: Grip['kind'] | 'none'): void {
    const high = this.high();
    this.draft.form({
      grip:
        kind === 'none'
          ? undefined
          : { kind, upperMm: round(high * 0.84), lowerMm: round(high * (kind === 'lugs' ? 0.55 : 0.28)), ...GRIP_SIZES[kind] },
    });
  }

  protected changeGrip(key: Exclude<keyof Grip, 'kind'>, value: number): void {
    const { grip } = this.formNow();
    if (grip) this.draft.form({ grip: { ...grip, [key]: value } });
  }
}
