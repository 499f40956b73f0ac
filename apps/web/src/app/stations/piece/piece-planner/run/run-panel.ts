import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import {
  attempt,
  heightAlong,
  placeEdges,
  placeWords,
  quickRun,
  startForPlaceEdge,
  withEdgeStart,
  type PairFlow,
  type PiecePlan,
  type PieceShape,
} from '@cazuela/core';
import { ExplainedText } from '../../../../parts/words/explained-text';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import type { FieldOption } from '../../../../ui/options';
import { SelectField } from '../../../../ui/select-field';
import { PlanRun } from './plan-run';
import { coatsFor } from './run-request';
import { basisOfRun, poolWords, reachWords, safeLineWords, sideWords, unknownsOf } from './run-words';

/** How far the glaze will run on this piece in its firing: in figures with a range, where it may start, and what is not known. */
@Component({
  selector: 'cz-run-panel',
  imports: [ExplainedText, MatButton, MatProgressBar, NumberField, SelectField],
  templateUrl: './run-panel.html',
  styleUrl: './run-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  /** Pairs whose overlap was measured here. */
  readonly overlaps = input<readonly PairFlow[]>([]);
  /** Seconds of each layer's dip, if its coat were another. */
  readonly secondsOf = input<(plan: PiecePlan) => ReadonlyMap<string, number>>(() => new Map());
  /** A change of the plan, taken with one tap. */
  readonly planned = output<Partial<PiecePlan>>();
  /** A runner tile wanted of these buckets. */
  readonly tile = output<readonly string[]>();
  protected readonly run = inject(PlanRun);
  protected readonly units = inject(Units);
  /** Edges that may be wanted somewhere, and the one that is. */
  protected readonly edges = computed(() => placeEdges({ plan: this.plan(), shape: this.shape() }));
  protected readonly edgeOptions = computed((): FieldOption[] =>
    this.edges().map(({ placeId }) => [placeId, placeWords(placeId, this.plan()).replace(/^the /, '')] as const),
  );
  protected readonly edge = computed(() => this.edges().find(({ placeId }) => placeId === this.run.wantedPlace()) ?? this.edges()[0]);
  private readonly sides = this.run.sides;
  protected readonly outside = computed(() => this.sides().find(({ side }) => side === 'outside'));
  protected readonly inside = computed(() => this.sides().find(({ side }) => side === 'inside'));
  protected readonly state = this.run.state;
  /** One coarse solve, for the edge that is wanted. */
  private readonly quick = computed(() => {
    const question = this.run.question();
    const made = question ? attempt(() => quickRun({ ...question, side: 'outside' })) : undefined;
    return made?.kind === 'ok' ? made.value : undefined;
  });
  /** Two thousand runs when they are there, the quick look until then. */
  private readonly chances = computed(() => this.run.forecast()?.sides.find(({ side }) => side === 'outside'));
  protected readonly reach = computed(() => {
    const [side, chances] = [this.outside(), this.chances()];
    return side && chances ? reachWords(side, chances, { plan: this.plan(), units: this.units }) : undefined;
  });
  protected readonly otherSides = computed(() =>
    (this.run.forecast()?.sides ?? []).flatMap((side) => (side.side === 'outside' ? [] : [sideWords(side, this.plan(), this.shape())])),
  );
  protected readonly safe = computed(() => {
    const line = this.run.safeLine();
    return line && this.outside() ? safeLineWords(line, this.plan()) : undefined;
  });
  protected readonly wish = computed(() => {
    const [wanted, side, quick, edge, startMm] = [this.run.wantedEdgeMm(), this.outside(), this.quick(), this.edge(), this.start()];
    if (wanted === null || !edge || startMm === undefined) return undefined;
    const change = withEdgeStart(this.plan(), { placeId: edge.placeId, startMm, shape: this.shape() });
    if (!change) return undefined;
    const button = edge.placeId === 'outside' ? `Wax ${startMm} mm up` : `Start it ${startMm} mm up`;
    // All coats of the outside together decide where its film ends.
    if (edge.placeId !== 'outside' || !side || !quick) return { startMm, change, button, coats: undefined };
    const coats = coatsFor({
      plan: this.plan(),
      quick,
      wantedMm: wanted,
      names: side.layers.map(({ layer, name }) => [layer.id, name]),
      secondsOf: this.secondsOf(),
      units: this.units,
    });
    return { startMm, change, button, coats };
  });
  /** Where the edge has to start, whole mm; none where there is no room for it. */
  private readonly start = computed(() => {
    const [wantedMm, edge, question] = [this.run.wantedEdgeMm(), this.edge(), this.run.question()];
    if (wantedMm === null || !edge || !question) return undefined;
    const asked = attempt(() => startForPlaceEdge({ ...question, edge, wantedMm }));
    return asked.kind === 'ok' && asked.value !== undefined ? Math.max(0, Math.round(asked.value)) : undefined;
  });
  protected readonly noRoom = computed(() => this.run.wantedEdgeMm() !== null && this.edge() !== undefined && !this.wish());
  private readonly last = computed(() => this.state()?.moments?.outside?.at(-1));
  protected readonly ownEnds = computed(() => {
    const [side, last] = [this.outside(), this.last()];
    if (!side || !last || side.layers.length < 2) return [];
    return side.layers.flatMap(({ name }, index) => {
      const front = last.layerFrontMm[index];
      return front === undefined
        ? []
        : [`${name}, coat ${index + 1}: its own edge ends about ${this.units.roughly(heightAlong(side.strip, front))} up.`];
    });
  });
  protected readonly pools = computed(() => {
    const poolMm = this.run.forecast()?.poolMm;
    return poolMm === undefined ? undefined : poolWords(poolMm, this.units);
  });
  private readonly runSides = computed(() => [this.outside(), this.inside()].flatMap((side) => (side ? [side] : [])));
  protected readonly unknown = computed(() => unknownsOf(this.runSides(), this.overlaps()));
  protected readonly basis = computed(() => {
    const forecast = this.run.forecast();
    return forecast ? basisOfRun(this.runSides(), this.overlaps(), forecast) : [];
  });
}
