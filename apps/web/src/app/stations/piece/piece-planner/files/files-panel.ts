import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Router } from '@angular/router';
import { LIMITS, type PieceBody } from '@cazuela/contract';
import { refired, type PiecePlan } from '@cazuela/core';
import { planToFile } from '@cazuela/formats';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../../../data/state/clock';
import { createMutation } from '../../../../data/http/mutation';
import { saveFile } from '../../../../data/devices/save-file';
import { StudioApi } from '../../../../data/http/studio-api';
import { StudioStore } from '../../../../data/state/studio-store';
import { ErrorBanner } from '../../../../ui/error-banner';
import { Units } from '../../../../data/units/units';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { verdictWords } from '../run/run-words';
import { sectionSheet, sectionSvg } from '../board/section-paths';

/** A plan out of here: its steps on paper, its section as a drawing, all of it as a file. */
@Component({
  selector: 'cz-plan-files',
  imports: [ErrorBanner, MatButton, MatIcon],
  template: `
    <section aria-label="On paper and as files">
      <cz-error-banner [failure]="printing.failure()?.problem?.detail" (again)="print()" />
      <div class="row">
        <button type="button" matButton="outlined" [disabled]="printing.busy()" (click)="print()">
          <mat-icon svgIcon="print" aria-hidden="true" /> Step sheet (PDF)
        </button>
        <button type="button" matButton="outlined" (click)="saveSection()">The section (SVG)</button>
        <button type="button" matButton="outlined" (click)="savePlan()">The plan as a file</button>
      </div>
      <h3>Go on from it</h3>
      <cz-error-banner [failure]="copying.failure()?.problem?.detail" (again)="copying.clear()" />
      <div class="row">
        <button type="button" matButton="outlined" [disabled]="copying.busy()" (click)="copy('another')">Another plan like it</button>
        <button type="button" matButton="outlined" [disabled]="copying.busy()" (click)="copy('again')">Fire it again: new coats over these</button>
      </div>
    </section>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesPanel {
  readonly pieceId = input.required<string>();
  readonly body = input.required<PieceBody>();
  private readonly api = inject(StudioApi);
  private readonly draft = inject(PieceDraft);
  private readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  private readonly studio = inject(StudioStore).studio;
  private readonly now = inject(NOW);
  protected readonly printing = createMutation();

  protected readonly copying = createMutation();
  private readonly router = inject(Router);

  /** The same piece with its coats fired: what is planned now lies over them. */
  private again(): PiecePlan {
    const plan = this.body().plan;
    return { ...plan, ...refired(plan), putAside: [] };
  }

  /** A plan of its own, with this one as it is left alone; fired again is the part that is shown, by itself. */
  protected copy(ending: 'another' | 'again'): void {
    const id = uuid();
    const { parts, ...alone } = this.draft.whole()!;
    const name = `${alone.name.slice(0, LIMITS.nameLength - ending.length - 2)}, ${ending}`;
    const rest = ending === 'again' ? { plan: this.again() } : parts ? { parts } : {};
    this.copying.run(this.api.createPiece(id, { ...alone, ...rest, name }), () => void this.router.navigate(['/piece', id]));
  }

  protected print(): void {
    const { labels, leads: _leads, ...drawing } = this.sheet();
    const named = labels.map((label) => `${label.what}: ${label.how}`);
    const clay = this.screen.clay();
    this.printing.run(
      this.api.stepSheet(this.pieceId(), {
        title: this.title(),
        lines: [`${this.body().count} of ${clay?.name ?? 'clay'}, for cone ${this.body().plan.cone ?? '6'}`, ...this.verdict(), ...named].slice(
          0,
          12,
        ),
        drawing,
        steps: [
          ...this.screen.preparations().map(({ words }) => ({ words: `Before: ${words}`, wait: '' })),
          ...this.screen.stepRows().map(({ words, wait, trouble, caution }) => ({
            words,
            wait,
            ...(caution || trouble ? { caution: [trouble, caution].filter(Boolean).join(' ') } : {}),
          })),
        ],
        warnings: this.screen.warnings().map((warning) => `${warning.what} ${warning.why}`),
      }),
      (pdf) => saveFile(pdf, `${this.fileName()}.steps.pdf`),
    );
  }

  protected saveSection(): void {
    saveFile(new Blob([sectionSvg(this.sheet(), this.title())], { type: 'image/svg+xml' }), `${this.fileName()}.section.svg`);
  }

  protected savePlan(): void {
    const recipes = this.screen.recipes();
    const file = planToFile({
      body: this.draft.whole()!,
      clay: this.screen.clay()?.name ?? 'clay',
      glazes: this.screen.buckets().map((bucket) => {
        const recipe = recipes.find((one) => one.id === bucket.recipeId)?.body.name;
        // What it was planned with, whatever the bucket holds since.
        const version = this.body().plan.versions?.find((one) => one.bucketId === bucket.id)?.number ?? bucket.recipeVersion;
        return {
          ref: bucket.id,
          name: bucket.body.name,
          colour: bucket.body.colour,
          ...(recipe ? { recipe } : {}),
          ...(version === null ? {} : { recipeVersion: version }),
        };
      }),
      studio: this.studio()?.name ?? '',
      now: this.now().toISOString(),
    });
    saveFile(new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }), `${this.fileName()}.plan.json`);
  }

  /** The same words as on the screen. */
  private verdict(): string[] {
    const forecast = this.screen.run.forecast();
    const asked = { plan: this.body().plan, shape: this.screen.restedShape(), units: this.units };
    const verdict = forecast && verdictWords(forecast, this.screen.run.safeLine(), asked);
    return verdict ? [`${verdict.figure} ${verdict.words} ${verdict.line}`] : [];
  }

  /** The part that is shown has its own sheet. */
  private title(): string {
    const { name, parts = [] } = this.draft.whole()!;
    const part = parts.find(({ id }) => id === this.draft.part());
    return part ? `${name}, ${part.name}` : name;
  }

  private fileName(): string {
    return (
      this.title()
        .replace(/[^\p{L}\p{N}\- ]+/gu, '')
        .trim() || 'piece'
    );
  }

  private sheet(): ReturnType<typeof sectionSheet> {
    return sectionSheet({
      shape: this.screen.restedShape(),
      plan: this.body().plan,
      colours: this.screen.colours(),
      names: this.screen.names(),
      clay: this.screen.clay()?.colour ?? '#e4d8c2',
    });
  }
}
