import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { BucketSummary, PieceBody } from '@cazuela/contract';
import {
  MEASURE_EVERY,
  areasOf,
  attempt,
  combinationsOf,
  placeWords,
  spreadVariations,
  variedPlan,
  type GlazeFacts,
  type PieceShape,
  type Variations,
} from '@cazuela/core';
import { PieceSection } from '../../../../parts/piece-section';
import { PieceDraft } from '../draft/piece-draft';
import { Units } from '../../../../data/units/units';
import { PieceScreen } from '../piece-screen';
import { Checkbox } from '../../../../ui/checkbox';

type Rule = Variations['rule'];

/** A set: all alike, or each one different by a rule that spreads glazes over places, so that no two are alike and every glaze gets its turn. */
@Component({
  selector: 'cz-set-panel',
  imports: [Checkbox, PieceSection],
  templateUrl: './set-panel.html',
  styles: `
    :host {
      display: block;
    }
    .choose {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
      gap: 1rem;
    }
    fieldset {
      border: 0;
      margin: 0;
      padding: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
      align-content: start;
    }
    legend {
      font-weight: 600;
      color: var(--iron-wash);
    }
    .swatch {
      width: 12px;
      height: 22px;
      border-radius: 4px;
      border: 1px solid var(--iron-wash);
    }
    .pieces {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 0.8rem;
      margin-top: 0.8rem;
    }
    cz-piece-section {
      display: block;
      height: 74px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetPanel {
  readonly body = input.required<PieceBody>();
  readonly shape = input.required<PieceShape>();
  readonly buckets = input.required<readonly BucketSummary[]>();
  readonly glazes = input.required<readonly GlazeFacts[]>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  protected readonly draft = inject(PieceDraft);
  protected readonly rule = computed(() => this.body().variations?.rule);
  private readonly areas = computed(() => areasOf({ plan: this.body().plan, shape: this.shape() }));
  protected readonly places = computed(() =>
    this.areas()
      .filter((area) => area.layers.length > 0)
      .map((area) => ({ id: area.id, words: placeWords(area.id, this.body().plan).replace(/^the /, '') })),
  );
  private readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  private readonly spread = this.screen.set;
  protected readonly refused = computed(() => {
    const spread = this.spread();
    return spread?.kind === 'refused' ? spread.error.message : undefined;
  });
  private readonly now = computed(() => {
    const spread = this.spread();
    return spread?.kind === 'ok' ? spread.value : [];
  });
  protected readonly pieces = computed(() => {
    const { plan, variations } = this.body();
    return this.now().map((piece) => ({
      plan: variedPlan(plan, piece),
      trouble: this.screen.worstOf(variedPlan(plan, piece)),
      words: (variations?.rule.places ?? []).map((place) => this.names().get(piece.buckets[place] ?? '') ?? '?').join(', '),
    }));
  });
  /** Each dip or pour with the seconds and SG within which the pieces stay alike. */
  protected readonly matching = computed(() =>
    this.screen.steps().flatMap((step) => {
      const glaze = step.layer && this.glazes().find((facts) => facts.bucketId === step.layer!.bucketId);
      if (!step.layer || !glaze || step.dip?.kind !== 'ok') return [];
      const asked = attempt(() => this.screen.matchingOf(step, glaze));
      if (asked.kind !== 'ok' || !asked.value) return [];
      const { seconds, fromSeconds, toSeconds, lowSg, highSg } = asked.value;
      const words = `${glaze.name}, ${this.units.coat(step.layer.coatMm)}: ${this.units.seconds(seconds)} each, from ${fromSeconds.toFixed(1)} to ${this.units.seconds(toSeconds)}. Measure its SG after every ${MEASURE_EVERY}: from ${lowSg.toFixed(2)} to ${highSg.toFixed(2)} the same seconds do.`;
      return [{ id: step.key, words }];
    }),
  );
  protected readonly tells = computed(() => {
    const rule = this.rule();
    if (!rule) return '';
    const all = attempt(() => combinationsOf({ plan: this.body().plan, glazes: this.glazes(), rule }));
    const turns = rule.palette.map((id) => {
      const count = this.now().reduce((sum, piece) => sum + Object.values(piece.buckets).filter((one) => one === id).length, 0);
      return `${this.names().get(id) ?? '?'} ${count}`;
    });
    const many = all.kind === 'ok' ? `${all.value.length} different pieces can be made so that nothing flakes` : '';
    return `${many}; these are the ones furthest from one another. Turns: ${turns.join(', ')}.`;
  });

  protected begin(): void {
    const used = [...new Set(this.areas().flatMap((area) => area.layers.map((layer) => layer.bucketId)))].filter((id) =>
      this.buckets().some((bucket) => bucket.id === id),
    );
    const palette = [...new Set([...used, ...this.buckets().map((bucket) => bucket.id)])].slice(0, 4);
    const places = this.places()
      .map((place) => place.id)
      .slice(0, 3);
    if (palette.length > 0 && places.length > 0) this.keep({ palette, places });
  }

  protected toggle(key: keyof Rule, id: string): void {
    const rule = this.rule()!;
    const list = rule[key].includes(id) ? rule[key].filter((one) => one !== id) : [...rule[key], id];
    if (list.length > 0) this.keep({ ...rule, [key]: list });
  }

  /** The pieces are stored with the rule that made them; where the rule makes too few, none are. */
  private keep(rule: Rule): void {
    const spread = this.spreadBy(rule);
    this.draft.change({ variations: { rule, pieces: spread.kind === 'ok' ? spread.value : [] } });
  }

  private spreadBy(rule: Rule): ReturnType<typeof attempt<ReturnType<typeof spreadVariations>>> {
    return attempt(() => spreadVariations({ plan: this.body().plan, glazes: this.glazes(), rule, count: this.body().count }));
  }
}
