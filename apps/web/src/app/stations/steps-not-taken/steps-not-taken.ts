import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { NOW } from '../../data/state/clock';
import { Outbox } from '../../data/offline/outbox';
import type { Refusal } from '../../data/offline/outbox-storage';
import { saveFile } from '../../data/devices/save-file';
import { stepWords } from '../../data/offline/step-words';
import { formatWhen } from '../../data/units/times';

const PLACES = { batch: '/weigh', bucket: '/bucket', day: '/day', load: '/kiln/loads', firing: '/kiln/firings' } as const;
const PLACE_WORDS = { batch: 'in its batch', bucket: 'in its bucket', day: 'on the day', load: 'on its load', firing: 'with its firing' } as const;

interface Row {
  refusal: Refusal;
  when: string;
  by: string;
  words: string;
  place: { link: string[]; words: string } | undefined;
}

/** Events that the records refused: stored on this device, read, sent again, saved as a file, and put aside only by the potter. */
@Component({
  selector: 'cz-steps-not-taken',
  imports: [MatButton, RouterLink],
  templateUrl: './steps-not-taken.html',
  styles: `
    .page {
      display: grid;
      gap: 0.9rem;
      align-content: start;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      align-items: center;
      gap: 0.5rem 1rem;
      padding: 0.7rem 0;
      border-top: 1px solid var(--line);
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsNotTaken {
  protected readonly outbox = inject(Outbox);
  private readonly now = inject(NOW);
  protected readonly rows = computed(() => this.outbox.refused().map((refusal) => this.rowOf(refusal)));

  /** Put aside on this page: until it is left, they can be taken back. */
  protected readonly aside = signal<readonly Refusal[]>([]);

  protected putAside(refusals: readonly Refusal[]): void {
    this.outbox.putAside(refusals);
    this.aside.update((before) => [...before, ...refusals]);
  }

  protected bringBack(): void {
    this.outbox.bringBack(this.aside());
    this.aside.set([]);
  }

  protected save(): void {
    const steps = this.outbox.refused().map(({ text, detail }) => ({ step: jsonOf(text), refused: detail }));
    const file = { format: 'cazuela-steps', version: 1, writtenAt: this.now().toISOString(), steps };
    saveFile(new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }), 'steps-not-taken.json');
  }

  private rowOf(refusal: Refusal): Row {
    const { entry } = refusal;
    if (!entry) return { refusal, when: '', by: '', words: refusal.text.slice(0, 200), place: undefined };
    const { stream, streamId, event } = entry;
    const link = stream === 'day' ? [PLACES.day] : [PLACES[stream], streamId];
    return { refusal, when: formatWhen(event.at), by: event.by, words: stepWords(event), place: { link, words: PLACE_WORDS[stream] } };
  }
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
