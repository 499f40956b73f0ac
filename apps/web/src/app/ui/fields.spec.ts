import { Component, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { TestBed } from '@angular/core/testing';
import * as z from 'zod';
import { FakeRecords } from '../../testing/records';
import { Screen } from '../../testing/screen';
import { AutocompleteField } from './autocomplete-field';
import { Checkbox } from './checkbox';
import { DateField } from './date-field';
import { dateOfDay, datePattern, isoDay } from './dates';
import { contractForm, contractValidator, formProblem, readForm } from './forms/contract-form';
import { askBeforeLeaving, UnsavedInput } from './forms/unsaved-input';
import { matchOptions } from './match-options';
import { NumberField } from './number-field';
import { groupOptions, plainOptions } from './options';
import { SelectField } from './select-field';
import { SentenceForm } from './sentence-form';
import { StarsField } from './stars-field';
import { TextField } from './text-field';

const POTS = z.strictObject({
  name: z.string().trim().min(1, 'Give it a name.').max(12, 'That is too long.'),
  wallMm: z.number().max(60, 'A wall over 60 mm is a block.').optional(),
  cone: z.string().optional(),
  count: z.number().min(1, 'At least one.'),
});

describe('a list that is typed into', () => {
  const powders = [
    ['1', 'Sílice fina', 'glass former'],
    ['2', 'Kaolin', 'clay'],
    ['3', 'Calcined kaolin', 'clay'],
  ] as const;

  it('finds by any word, without accents, also by what it is for; what begins so comes first', () => {
    expect(matchOptions(powders, 'silice').map(([id]) => id)).toEqual(['1']);
    expect(matchOptions(powders, 'kao').map(([id]) => id)).toEqual(['2', '3']);
    expect(matchOptions(powders, 'clay calc').map(([id]) => id)).toEqual(['3']);
    expect(matchOptions(powders, '')).toBe(powders);
  });

  it('neighbours of one kind stand under one heading', () => {
    expect(groupOptions(powders).map(({ name, options }) => [name, options.length])).toEqual([
      ['glass former', 1],
      ['clay', 2],
    ]);
  });
});

describe('a day', () => {
  it.each([
    ['en-GB', 'dd/MM/yyyy'],
    ['en-US', 'MM/dd/yyyy'],
    ['de', 'dd.MM.yyyy'],
    ['sv', 'yyyy-MM-dd'],
  ])('in %s is written %s', (language, pattern) => {
    expect(datePattern(language)).toBe(pattern);
  });

  it('is kept as one of the calendar, whatever the clock says', () => {
    expect(isoDay(dateOfDay('2026-03-10')!)).toBe('2026-03-10');
    expect(dateOfDay('2026-02-31')).toBeNull();
    expect(dateOfDay('')).toBeNull();
  });
});

@Component({
  imports: [AutocompleteField, Checkbox, DateField, NumberField, ReactiveFormsModule, SelectField, StarsField, TextField],
  template: `
    <form [formGroup]="form">
      <cz-text-field label="Name" formControlName="name" />
      <cz-number-field label="Wall" quantity="length" formControlName="wallMm" [least]="1" />
      <cz-number-field label="How many" formControlName="count" />
      <cz-select label="Cone" formControlName="cone" [options]="cones" />
      <cz-autocomplete label="Glaze" formControlName="glaze" [options]="glazes" />
      <cz-checkbox label="Lid" formControlName="lid" />
      <cz-date-field label="Day" formControlName="day" />
      <cz-stars-field label="How good" formControlName="stars" />
    </form>
    <p class="said">{{ problem() }}</p>
  `,
})
class Pots {
  readonly cones = plainOptions(['', '5', '6']);
  readonly glazes = [
    ['a', 'Marisma'],
    ['b', 'Tinaja'],
  ] as const;
  readonly form = new FormGroup({
    ...contractForm(POTS, { name: '', wallMm: null as number | null, cone: '', count: 12 as number }).controls,
    glaze: new FormControl('a', { nonNullable: true }),
    lid: new FormControl(false, { nonNullable: true }),
    day: new FormControl('2026-03-10', { nonNullable: true }),
    stars: new FormControl(0, { nonNullable: true }),
  });
  readonly refused = signal<Parameters<typeof formProblem>[1] extends () => infer P ? P : never>(undefined);
  readonly problem = formProblem(
    () => this.form,
    () => this.refused(),
  );

  constructor() {
    askBeforeLeaving(() => this.form.dirty);
  }
}

@Component({
  imports: [ReactiveFormsModule, TextField],
  template: `<form [formGroup]="form()"><cz-text-field label="Name" formControlName="name" /></form>`,
})
class Anew {
  readonly form = signal(contractForm(POTS, { name: '' }));
}

describe('a typed form', () => {
  const open = async (): Promise<Screen<Pots>> => {
    new FakeRecords().openStudio();
    return Screen.open(Pots);
  };
  const form = (screen: Screen<Pots>): Pots['form'] => screen.fixture.componentInstance.form;

  it('takes text, numbers in any unit, lists, ticks and stars, each as its own type', async () => {
    const screen = await open();
    await screen.type('Name', 'Taza');
    await screen.type('Wall', '0,5 cm');
    await screen.choose('Cone', '6');
    await screen.choose('Glaze', 'Tinaja');
    await screen.check('Lid');
    await screen.press('4 stars');
    expect(form(screen).getRawValue()).toEqual({
      name: 'Taza',
      wallMm: 5,
      count: 12,
      cone: '6',
      glaze: 'b',
      lid: true,
      day: '2026-03-10',
      stars: 4,
    });
  });

  it('shows what it was given, and what it is given later', async () => {
    const screen = await open();
    expect(screen.field('Glaze').value).toBe('Marisma');
    form(screen).patchValue({ name: 'Cuenco', glaze: 'b', wallMm: 4 });
    await screen.settle();
    expect([screen.field('Name').value, screen.field('Glaze').value, screen.field('Wall').value]).toEqual(['Cuenco', 'Tinaja', '4']);
  });

  it('scolds no field before it was touched; then the contract’s own sentence stands under it', async () => {
    const screen = await open();
    expect(screen.text).not.toContain('Give it a name.');
    await screen.type('Name', 'A name that is far too long');
    expect(screen.text).toContain('Name That is too long.');
    expect(screen.field('Name').getAttribute('aria-invalid')).toBe('true');
    expect(screen.field('Name').getAttribute('aria-describedby')).toContain('-error');
    await screen.type('Name', 'Taza');
    expect(screen.text).not.toContain('too long');
  });

  it('a number that is none makes the form wrong, and stays as it was typed', async () => {
    const screen = await open();
    await screen.type('Wall', 'thick');
    expect(form(screen).controls.wallMm.invalid).toBe(true);
    expect(screen.field('Wall').value).toBe('thick');
    expect(screen.text).toContain('“thick” is not a number');
    await screen.type('Wall', '');
    expect(form(screen).controls.wallMm.valid).toBe(true);
    await screen.type('How many', '');
    expect(screen.text).toContain('A number is missing here.');
  });

  it('that is refused leads to the first field that is wrong: it may stand far above the button', async () => {
    const screen = await open();
    document.body.append(screen.root);
    await screen.type('Name', 'Taza');
    await screen.type('Wall', '90 mm');
    expect(readForm(form(screen), POTS)).toBeUndefined();
    await new Promise((led) => setTimeout(led));
    expect(document.activeElement).toBe(screen.field('Wall'));
    screen.root.remove();
  });

  it('is read as the contract wants it, with what is not known left out', async () => {
    const screen = await open();
    const bare = contractForm(POTS, { name: 'Taza', wallMm: null as number | null, cone: '', count: 2 });
    expect(readForm(bare, POTS)).toEqual({ name: 'Taza', count: 2 });
    expect(readForm(form(screen), POTS)).toBeUndefined();
    await screen.settle();
    expect(screen.text).toContain('Give it a name.');
  });

  it('what the server refuses stands under its field, the rest beside the button', async () => {
    const screen = await open();
    const problem = { type: 'x', title: 'x', status: 400, code: 'checkInput' as const, detail: 'No.' };
    screen.fixture.componentInstance.refused.set({
      ...problem,
      errors: [
        { path: 'body.name', message: 'There is one of that name.' },
        { path: 'elsewhere', message: 'The kiln is full.' },
      ],
    });
    await screen.settle();
    expect(screen.text).toContain('Name There is one of that name.');
    expect(screen.all('.said')[0]!.textContent).toContain('The kiln is full.');
  });

  it('typed words that name nothing in the list stay, and change nothing; nobody is scolded while typing', async () => {
    const screen = await open();
    await screen.type('Glaze', 'Humo');
    expect(screen.text).not.toContain('Nothing is called');
    screen.field('Glaze').dispatchEvent(new Event('blur'));
    await screen.settle();
    expect(screen.text).toContain('Nothing is called “Humo”');
    expect(form(screen).value.glaze).toBe('a');
    expect(screen.field('Glaze').value).toBe('Humo');
  });

  it('is made anew after keeping, and its fields go on telling what is wrong', async () => {
    new FakeRecords().openStudio();
    const screen = await Screen.open(Anew);
    screen.fixture.componentInstance.form.set(contractForm(POTS, { name: 'Taza' }));
    await screen.settle();
    expect(screen.field('Name').value).toBe('Taza');
    await screen.type('Name', 'A name that is far too long');
    expect(screen.text).toContain('That is too long.');
  });

  it('cannot be typed into while it is shut', async () => {
    const screen = await open();
    form(screen).disable();
    await screen.settle();
    for (const label of ['Name', 'Wall', 'Cone', 'Glaze', 'Lid', 'Day']) expect(screen.field(label).disabled).toBe(true);
  });

  it('a rule between two fields can be mended at either of them', () => {
    const range = z
      .strictObject({ low: z.number(), high: z.number() })
      .refine(({ low, high }) => low < high, { message: 'Low first.', path: ['low'] });
    const form = contractForm(range, { low: 5, high: 4 });
    expect(readForm(form, range)).toBeUndefined();
    expect(form.controls.low.errors).toEqual({ sentence: 'Low first.' });
    form.controls.high.setValue(6);
    expect(readForm(form, range)).toEqual({ low: 5, high: 6 });
  });

  it('a rule lets a field be empty only where the contract does', () => {
    expect(contractValidator(POTS.shape.wallMm)(new FormControl(null))).toBeNull();
    expect(contractValidator(POTS.shape.count)(new FormControl(null))).toEqual({ sentence: 'A number is missing here.' });
    expect(contractValidator(POTS.shape.wallMm)(new FormControl(90))).toEqual({ sentence: 'A wall over 60 mm is a block.' });
  });

  it('is asked about before the screen is left, while something is typed', async () => {
    const screen = await open();
    const unsaved = TestBed.inject(UnsavedInput);
    expect(unsaved.isThere()).toBe(false);
    await screen.type('Name', 'Taza');
    expect(unsaved.isThere()).toBe(true);
    screen.fixture.destroy();
    expect(unsaved.isThere()).toBe(false);
  });
});

describe('a sentence that is asked for', () => {
  it('is kept without blanks around it, and the box is empty again; an empty one is not kept', async () => {
    new FakeRecords();
    const screen = await Screen.open(SentenceForm, { label: 'Note', action: 'Keep the note' });
    const kept: string[] = [];
    screen.fixture.componentInstance.kept.subscribe((words) => kept.push(words));
    await screen.press('Keep the note');
    await screen.type('Note', '  some lumps ');
    await screen.press('Keep the note');
    expect(kept).toEqual(['some lumps']);
    expect(screen.field('Note').value).toBe('');
  });
});
