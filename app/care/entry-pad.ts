import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { CAUSE_WORD, CLEANED_WORD, KIT_WORD, logNamesOf, SCORE_STEPS, SCORE_WORD, wordEntry } from '../../core/assessment/wording/log';
import { waterMark } from '../../core/assessment/water-mark';
import { plain } from '../../core/assessment/wording';
import { slipOf } from '../../core/log/entry-faults';
import { DEATH_CAUSES, SCORED, type Entry, type EntryKind, type NewEntries, type NewEntry } from '../../core/log/model';
import type { Line } from '../../core/log/timeline';
import { formatQuantity } from '../../core/quantity/format';
import { Kit } from '../../core/reading/doubt';
import { LOGGED_PARAMETERS, N_OF_ION, PARAMETER_META, type LoggedParameter } from '../../core/reading/parameter';
import { keepPhoto } from '../store/photos';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankView } from '../store/tank-view';
import { ChoiceField, type Choice } from '../ui/choice';
import { moment } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';
import { draftOf, foodsOf, PAD, PAD_WORD, padKeyOf, testedHere, type PadGround, type PadKey } from './pad';

/** What happened is written down here: a press for what it was, a press to write it. */
@Component({
  selector: 'tr-entry-pad',
  imports: [ChoiceField, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './entry-pad.html',
  styleUrl: './entry-pad.less',
})
export class EntryPad {
  protected readonly view = inject(TankView);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  /** A line that is to be put right; null for a new one. */
  readonly correcting = input<Line | null>(null);
  readonly corrected = output<void>();

  protected readonly keys = PAD.map((key) => ({ key, text: PAD_WORD[key] }));
  protected readonly shown = signal<PadKey | null>(null);
  protected readonly draft = signal<NewEntry | null>(null);
  /** The clock as it was put, "2026-03-29T08:15"; null for now. */
  protected readonly at = signal<string | null>(null);
  protected readonly note = signal('');
  protected readonly fault = signal<string | null>(null);
  protected readonly busy = signal(false);
  /** What was written just now. */
  protected readonly said = signal<{ id: string; text: string; when: string } | null>(null);

  protected readonly names = computed(() => {
    const catalogue = this.view.catalogue();
    return catalogue ? logNamesOf(catalogue, this.view.room()?.kits ?? {}) : null;
  });
  protected readonly ground = computed((): PadGround | null => {
    const [design, room] = [this.view.design(), this.view.room()];
    if (!design || !room) return null;
    const litres = this.view.derived()?.['vessel.system-volume'].value ?? null;
    const share = design.care.change?.fraction ?? null;
    return {
      changeL: litres !== null && share !== null ? Number((litres * share).toPrecision(2)) : null,
      foods: foodsOf(design),
      organismIds: [...new Set(this.view.members().flatMap(({ organism }) => (organism?.kind === 'animal' ? [organism.id] : [])))],
      mark: waterMark(design, room),
    };
  });
  protected readonly animals = computed(() => {
    const named = this.correcting()?.entry;
    const more = named && 'organismId' in named && named.organismId !== null ? [named.organismId] : [];
    return [...new Set([...(this.ground()?.organismIds ?? []), ...more])].map((value): Choice<string> => ({
      value,
      text: plain(this.names()?.animal(value) ?? value),
    }));
  });
  protected readonly animalsOrAll = computed((): Choice<string | null>[] => [{ value: null, text: 'all of them' }, ...this.animals()]);

  constructor() {
    effect(() => {
      const line = this.correcting();
      untracked(() => (line ? this.begin(line) : undefined));
    });
  }

  private begin({ entry }: Line): void {
    const { id: _id, at, written: _written, corrects: _corrects, note, ...rest } = entry;
    this.shown.set(padKeyOf(rest as NewEntry));
    this.draft.set(rest as NewEntry);
    this.at.set(localText(new Date(at)));
    this.note.set(note);
    this.fault.set(null);
    this.readings.set(rest.kind === 'reading' ? { ...rest.values } : {});
    if (rest.kind === 'reading') this.kit.set(rest.kit);
  }

  protected press(key: PadKey): void {
    const ground = this.ground();
    if (!ground) return;
    const again = this.shown() === key && !this.correcting();
    this.shown.set(again ? null : key);
    this.draft.set(again ? null : draftOf(key, ground));
    this.at.set(null);
    this.note.set('');
    this.fault.set(null);
    this.said.set(null);
    this.readings.set({});
    this.slips.set({});
  }

  protected cancel(): void {
    this.shown.set(null);
    this.draft.set(null);
    this.fault.set(null);
    this.corrected.emit();
  }

  /** Changes a field of the draft. */
  protected put(fields: object): void {
    this.draft.update((draft) => draft && ({ ...draft, ...fields } as NewEntry));
  }

  protected drafted<K extends EntryKind>(kind: K): NewEntries[K] | null {
    const draft = this.draft();
    return draft?.kind === kind ? (draft as NewEntries[K]) : null;
  }

  // tests
  protected readonly kit = signal<Kit>('drops');
  protected readonly kits = Kit.options.map((value): Choice<Kit> => ({ value, text: KIT_WORD[value] }));
  protected readonly asIon = signal<'ion' | 'nitrogen'>('ion');
  protected readonly reads: readonly Choice<'ion' | 'nitrogen'>[] = [
    { value: 'ion', text: 'NH₄, NO₂' },
    { value: 'nitrogen', text: 'nitrogen (N)' },
  ];
  protected readonly readings = signal<Partial<Record<LoggedParameter, number>>>({});
  protected readonly slips = signal<Partial<Record<LoggedParameter, { value: number; text: string }>>>({});
  private readonly more = signal<readonly LoggedParameter[]>([]);
  private readonly last = computed(() => {
    const found = new Map<LoggedParameter, number>();
    for (const { entry, struck } of this.view.log()?.lines ?? [])
      if (entry.kind === 'reading' && !struck && entry.from === 'hand')
        for (const [parameter, value] of Object.entries(entry.values)) found.set(parameter as LoggedParameter, value);
    return found;
  });
  protected readonly fields = computed(() => {
    const salty = (this.view.derived()?.['planned.salinity'].value ?? 0) > 1;
    const here = this.correcting() ? Object.keys(this.readings()) : testedHere([...this.last().keys()], salty);
    const kits = Object.values(this.view.room()?.kits ?? {});
    return LOGGED_PARAMETERS.filter((parameter) => here.includes(parameter) || this.more().includes(parameter)).map((parameter) => {
      const { name, kind } = PARAMETER_META[parameter];
      const own = kits.find(({ reads }) => reads.includes(parameter));
      return {
        parameter,
        name: name.replace(', as N', ''),
        kind,
        kit: own?.name ?? null,
        value: this.readings()[parameter] ?? null,
        limits: widerThan(parameter),
      };
    });
  });
  protected readonly others = computed(() => {
    const here = new Set(this.fields().map(({ parameter }) => parameter));
    return LOGGED_PARAMETERS.filter((one) => !here.has(one)).map((value): Choice<LoggedParameter> => ({
      value,
      text: PARAMETER_META[value].name,
    }));
  });
  protected readonly hasN = computed(() => this.fields().some(({ parameter }) => parameter in N_OF_ION));

  protected another(parameter: LoggedParameter | null): void {
    if (parameter) this.more.update((more) => [...more, parameter]);
  }

  protected read(parameter: LoggedParameter, value: number | null): void {
    const ion = value !== null && this.asIon() === 'ion' && parameter in N_OF_ION ? N_OF_ION[parameter as keyof typeof N_OF_ION] : 1;
    const slip = value === null ? null : slipOf(parameter, value * ion, this.last().get(parameter) ?? null);
    this.readings.update(({ [parameter]: _, ...rest }) => (value === null ? rest : { ...rest, [parameter]: value * ion }));
    this.slips.update(({ [parameter]: _, ...rest }) =>
      slip
        ? {
            ...rest,
            [parameter]: {
              value: slip.value,
              text: `That is far from the last. Is it ${formatQuantity(PARAMETER_META[parameter].kind, slip.value, this.units())}?`,
            },
          }
        : rest,
    );
  }

  protected take(parameter: LoggedParameter, value: number): void {
    this.readings.update((readings) => ({ ...readings, [parameter]: value }));
    this.slips.update(({ [parameter]: _, ...rest }) => rest);
  }

  /** One entry a kit: whoever tests with four bottles has four kits. */
  private testEntries(draft: NewEntries['reading']): NewEntry[] {
    if (this.correcting()) return [{ ...draft, kit: this.kit(), values: this.readings() }];
    const kits = Object.entries(this.view.room()?.kits ?? {});
    const by = new Map<string, NewEntries['reading']>();
    for (const [parameter, value] of Object.entries(this.readings()) as [LoggedParameter, number][]) {
      const [kitId, own] = kits.find(([, { reads }]) => reads.includes(parameter)) ?? [null, null];
      const key = kitId ?? '';
      const there = by.get(key) ?? { ...draft, kit: own?.kit ?? this.kit(), kitId, values: {} };
      by.set(key, { ...there, values: { ...there.values, [parameter]: value } });
    }
    return [...by.values()];
  }

  // what is chosen among few
  protected readonly foods = computed(() => this.ground()?.foods ?? []);
  protected readonly causes = DEATH_CAUSES.map((value): Choice<(typeof DEATH_CAUSES)[number]> => ({ value, text: CAUSE_WORD[value] }));
  protected readonly cleaned = Object.entries(CLEANED_WORD).map(([what, text]) => ({ what, text }));
  protected readonly scored = SCORED.map((key) => ({ key, text: SCORE_WORD[key] }));
  protected readonly scoreSteps = SCORE_STEPS.map((text, value): Choice<number> => ({ value, text }));
  protected readonly leftovers: readonly Choice<'nothing' | 'some' | 'most' | null>[] = [
    { value: null, text: 'not looked' },
    { value: 'nothing', text: 'nothing' },
    { value: 'some', text: 'some' },
    { value: 'most', text: 'most' },
  ];
  protected readonly units3: readonly Choice<'g' | 'mL' | 'pieces'>[] = [
    { value: 'mL', text: 'mL' },
    { value: 'g', text: 'g' },
    { value: 'pieces', text: 'pieces' },
  ];
  protected readonly phases: readonly Choice<'begun' | 'again' | 'ended'>[] = [
    { value: 'begun', text: 'begun' },
    { value: 'again', text: 'given again' },
    { value: 'ended', text: 'ended' },
  ];
  protected readonly deaths: readonly Choice<'died' | 'lost'>[] = [
    { value: 'died', text: 'died' },
    { value: 'lost', text: 'not found any more' },
  ];
  protected readonly movings: readonly Choice<'came' | 'left'>[] = [
    { value: 'came', text: 'came' },
    { value: 'left', text: 'left' },
  ];

  protected score(key: (typeof SCORED)[number], value: number): void {
    const draft = this.drafted('behaviour');
    if (draft) this.put({ scores: { ...draft.scores, [key]: value } });
  }

  protected readonly maxAt = localText(new Date(Date.now() + 86_400_000)).slice(0, 10);

  /** Writes the draft down, or a quick one in its place. */
  protected async write(quick: object = {}): Promise<void> {
    const draft = this.draft();
    if (!draft || this.busy()) return;
    const at = this.at();
    const when = at === null ? new Date() : new Date(at);
    if (Number.isNaN(when.getTime())) return this.fault.set('Say when it was.');
    const whole = { ...draft, ...quick, note: this.note().trim() } as NewEntry;
    const entries = whole.kind === 'reading' ? this.testEntries(whole).map((one) => ({ ...one, note: whole.note ?? '' })) : [whole];
    if (entries.length === 0) return this.fault.set('Say what was read.');
    if ('organismId' in whole && whole.organismId === '') return this.fault.set('Say which animals.');
    if ('what' in whole && whole.what === '') return this.fault.set('Say what it was.');
    this.busy.set(true);
    const corrects = this.correcting()?.id ?? null;
    let written: Entry | null = null;
    for (const entry of entries) {
      const result = await this.logs.write(entry, when, corrects);
      if (!result.ok) {
        this.fault.set(result.reason);
        this.busy.set(false);
        return;
      }
      written = result.entry;
    }
    this.busy.set(false);
    this.done(written, entries.length);
  }

  private done(written: Entry | null, count: number): void {
    const names = this.names();
    const fixed = this.correcting() !== null;
    if (written && names)
      this.said.set({
        id: written.id,
        text: `${fixed ? 'Put right' : 'Written down'}: ${plain(count > 1 ? `${count} tests` : wordEntry(written, names, this.units()).title)}`,
        when: moment(new Date(written.at)),
      });
    this.shown.set(null);
    this.draft.set(null);
    this.fault.set(null);
    if (fixed) this.corrected.emit();
  }

  protected async picture(field: HTMLInputElement): Promise<void> {
    const [file] = field.files ?? [];
    const design = this.view.design();
    if (!file || !design) return;
    this.busy.set(true);
    // on the disk before an entry names it
    const kept = await keepPhoto(design.id, file);
    field.value = '';
    this.busy.set(false);
    if (!kept.ok) return this.fault.set(kept.reason);
    await this.write({ photoId: kept.id });
  }

  protected async strike(id: string): Promise<void> {
    const struck = await this.logs.strike(id);
    this.said.set(null);
    if (!struck.ok) this.fault.set(struck.reason);
  }
}

/** What may be typed is wider than what any water reads: a slip of unit or point is then asked about, and not only refused. */
function widerThan(parameter: LoggedParameter): [number, number] {
  const [low, high] = PARAMETER_META[parameter].canBe;
  return [Math.min(low, 0), high * 20];
}

/** "2026-03-29T08:15", as a field of date and time has it. */
export function localText(at: Date): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
}
