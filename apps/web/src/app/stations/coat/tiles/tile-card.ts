import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { tileSchema, type CoatDipBody, type StepTile, type TileBody, type TileStrip } from '@cazuela/contract';
import { concat, last, map, of, type Observable } from 'rxjs';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { NumberField } from '../../../ui/number-field';
import { TwoVersions } from '../../../parts/two-versions';
import { CoatScreen } from '../coat-screen';
import { SelectField } from '../../../ui/select-field';
import { plainOptions } from '../../../ui/options';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { TextField } from '../../../ui/text-field';
import { Expansion } from '../../../ui/expansion';
import { Notice } from '../../../ui/notice';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';

const VERDICTS = ['thin', 'right', 'thick'] as const;
/** From this point on a strip is dry enough to be read: a dip counts with the bucket as it stood. */
const USUAL_CONE = '6';

/** One step tile: dipped and measured strip by strip, fired, looked at. Its readings are measured dips, its looks make the window. */
@Component({
  selector: 'cz-tile-card',
  imports: [Expansion, MatButton, NumberField, PutAwayNote, RecordMenu, SelectField, TextField, TwoVersions],
  templateUrl: './tile-card.html',
  styles: `
    cz-number-field {
      width: 7rem;
    }
    .code {
      margin-right: 0.6rem;
    }
    cz-expansion {
      margin-bottom: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TileCard {
  readonly tile = input.required<StepTile>();
  readonly open = input(false);
  readonly kept = output<void>();
  private readonly screen = inject(CoatScreen);
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  private readonly notice = inject(Notice);
  protected readonly keeping = createMutation();
  /** Typed here; a reading that somebody else saved meanwhile does not overwrite it. */
  protected readonly draft = linkedSignal<StepTile, TileBody>({
    source: this.tile,
    computation: (tile, before) => (before && this.dirty ? before.value : tile.body),
  });
  private dirty = false;
  protected readonly changed = computed(() => JSON.stringify(this.draft()) !== JSON.stringify(this.tile().body));
  protected readonly summary = computed(() => this.toldOf(this.tile().body));
  protected readonly stale = computed(() => {
    const failure = this.keeping.failure();
    const current = failure?.problem.code === 'stale' ? tileSchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? current.data : undefined;
  });
  protected readonly cones = [['', 'not yet'], ...CONE_OPTIONS] as const;
  protected readonly looks = [['', 'not looked at'], ...plainOptions(VERDICTS)] as const;

  constructor() {
    askBeforeLeaving(() => this.changed());
  }

  protected toldOf(body: TileBody): string {
    const read = body.strips.filter((strip) => strip.verdict !== undefined).length;
    const measured = body.strips.filter((strip) => strip.measuredMm !== undefined).length;
    if (read > 0) return `fired to cone ${body.cone ?? '?'}, ${read} of ${body.strips.length} strips looked at`;
    if (body.cone) return `fired to cone ${body.cone}, not looked at yet`;
    if (measured > 0) return `dipped ${body.dippedAt ? formatWhen(body.dippedAt) : ''}, ${measured} strips measured`;
    return 'to be dipped';
  }

  protected edit(index: number, change: { [Key in keyof TileStrip]?: TileStrip[Key] | undefined }): void {
    this.dirty = true;
    this.draft.update((body) => ({
      ...body,
      strips: body.strips.map((strip, at) => (at === index ? (withoutEmpty({ ...strip, ...change }) as TileStrip) : strip)),
    }));
  }

  protected look(index: number, verdict: string): void {
    this.edit(index, { verdict: VERDICTS.find((one) => one === verdict) });
    if (!this.draft().cone) this.fired(USUAL_CONE);
  }

  protected fired(cone: string): void {
    this.dirty = true;
    this.draft.update(({ cone: _cone, firedAt: _at, ...body }) => (cone ? { ...body, cone, firedAt: _at ?? new Date().toISOString() } : body));
  }

  /** It was made as planned: only the readings are left to type. */
  protected timed(): void {
    this.dirty = true;
    this.draft.update((body) => ({ ...body, dippedAt: body.dippedAt ?? new Date().toISOString() }));
  }

  protected keep(version = this.tile().version): void {
    const { id } = this.tile();
    const draft = this.draft();
    const measured = draft.strips.some((strip) => strip.measuredMm !== undefined);
    const body = measured && !draft.dippedAt ? { ...draft, dippedAt: new Date().toISOString() } : draft;
    const dips = this.dipsOf(body);
    const write: Observable<unknown>[] = [this.api.updateTile({ id, version, body }), ...(dips.length > 0 ? [this.api.addCoatDips(dips)] : [])];
    this.keeping.run(
      concat(...write, of('done')).pipe(
        last(),
        map(() => undefined),
      ),
      () => {
        this.take();
        this.notice.tell('The tile is kept.');
      },
    );
  }

  protected take(): void {
    this.dirty = false;
    this.keeping.clear();
    this.kept.emit();
    this.screen.all.reload();
  }

  /** Measured strips are measured dips, each under the strip's own id: saved twice, they count once. */
  private dipsOf(body: TileBody): { id: string; body: CoatDipBody }[] {
    const glaze = this.screen.glaze();
    const head = glaze && this.screen.dipHead({ ...glaze, sg: body.sg });
    // Dip over dip, a strip is not one dip: its look counts, its coat is not learnt from.
    if (!head || body.method !== 'inOneGo') return [];
    const { before: _before, ...fresh } = head;
    const { bucketId, glazeId, bodyId, dippedAt: at = new Date().toISOString() } = body;
    return body.strips.flatMap(({ id, measuredMm, seconds }) =>
      measuredMm === undefined || seconds === undefined
        ? []
        : [
            {
              id,
              body: {
                ...fresh,
                bucketId,
                glazeId,
                bodyId,
                at,
                seconds,
                faces: 1 as const,
                reading: { kind: 'thickness' as const, coatMm: measuredMm },
              },
            },
          ],
    );
  }
}

const withoutEmpty = (object: object): object =>
  Object.fromEntries(Object.entries(object).filter(([, value]) => value !== undefined && value !== ''));
