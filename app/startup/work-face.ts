import { ChangeDetectionStrategy, Component, computed, effect, inject, OnDestroy, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { buildWork } from '../../core/assessment/plan/build';
import { CAUTION_WORD, SCHOOL_WORD, wordBuildStep, wordFirst, wordWait } from '../../core/assessment/wording/build';
import { SCHOOLS, type School } from '../../core/build/model';
import { missingBefore, moved, timeOf } from '../../core/build/order';
import { schoolOf, type BuildStep } from '../../core/build/steps';
import { addPhoto, dropPhoto, followSchool, inOrderOfOwn, tickStep, untickStep, usedInstead } from '../../core/design/edits/build-edits';
import { plural } from '../../core/quantity/plural';
import { dayOf } from '../../core/schedule/day';
import { Library } from '../store/library';
import { NO_NEIGHBOURS, neighboursOf } from '../store/neighbours';
import { keepPhoto, photosOfTank } from '../store/photos';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import type { Choice } from '../ui/choice';
import { datedDay } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';

/** The work of building, step by step, ticked at the tank with a wet hand. */
@Component({
  selector: 'tr-work-face',
  imports: [LatinText, RouterLink, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './work-face.html',
  styleUrl: './work-face.less',
})
export class WorkFace implements OnDestroy {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly library = inject(Library);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  protected readonly locked = computed(() => !!this.view.readOnly());
  private readonly neighbours = signal(NO_NEIGHBOURS);
  /** Pictures by id, as addresses that the page can show. */
  private readonly pictures = signal<ReadonlyMap<string, string>>(new Map());
  /** Why the last press did not do what was asked. */
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal<string | null>(null);
  /** Ticked just now: what was used and a picture are asked for there. */
  private readonly last = signal<string | null>(null);

  constructor() {
    const design = untracked(this.view.design);
    if (design) void neighboursOf(this.library, design).then((found) => this.neighbours.set(found));
    const wanted = computed(() =>
      Object.values(this.view.design()?.build.ticks ?? {})
        .flatMap(({ photoIds }) => photoIds)
        .join(' '),
    );
    effect(() => {
      if (wanted() !== '') void this.fetch(untracked(() => this.view.design()!.id));
    });
  }

  ngOnDestroy(): void {
    for (const url of this.pictures().values()) URL.revokeObjectURL(url);
  }

  private async fetch(designId: string): Promise<void> {
    const kept = await photosOfTank(designId).catch(() => []);
    const known = this.pictures();
    const news = kept.filter(({ id }) => !known.has(id));
    if (news.length === 0) return;
    this.pictures.set(
      new Map([
        ...known,
        ...news.map(({ id, jpeg }): [string, string] => [id, URL.createObjectURL(new Blob([jpeg as BlobPart], { type: 'image/jpeg' }))]),
      ]),
    );
  }

  private readonly steps = computed((): BuildStep[] => {
    const assessment = this.view.assessment();
    const { names } = this.neighbours();
    return assessment ? buildWork(assessment, (id) => names.get(id) ?? 'another tank') : [];
  });

  protected readonly list = computed(() => {
    const [design, steps, units] = [this.view.design(), this.steps(), this.units()];
    if (!design) return [];
    const { build } = design;
    const done = new Set(Object.keys(build.ticks));
    return steps.map((step, i) => {
      const { title, detail } = wordBuildStep(step, units, build);
      const tick = build.ticks[step.id];
      const missing = tick ? missingBefore(steps, step.id, done) : [];
      const plainTitle = title.replaceAll('*', '');
      return {
        id: step.id,
        title,
        plainTitle,
        detail,
        takes: [`about ${step.minutes} min`, ...(step.waitHours > 0 ? [`then ${wordWait(step.waitHours)} of waiting`] : [])].join(', '),
        cautions: step.cautions.map((caution) => CAUTION_WORD[caution]),
        school: step.school && this.schoolChoice(step.school),
        first: i === 0,
        last: i === steps.length - 1,
        tick: tick && {
          day: datedDay(tick.day, this.today),
          instead: tick.instead,
          changed: tick.as !== plainTitle.slice(0, 200) ? tick.as : null,
          early: missing.length > 0 ? `Before it comes: ${missing.map((one) => wordBuildStep(one, units, build).title).join('; ')}.` : null,
          photos: tick.photoIds.map((id) => ({ id, url: this.pictures().get(id) ?? null })),
          full: tick.photoIds.length >= 6,
          open: tick.instead !== '' || tick.photoIds.length > 0 || this.last() === step.id,
        },
      };
    });
  });

  private schoolChoice(school: School) {
    const { title, ways } = SCHOOL_WORD[school];
    const build = this.view.design()!.build;
    const said = ways as Readonly<Record<string, { name: string; for: string }>>;
    const way = schoolOf(build, school);
    return {
      school,
      title,
      way,
      for: said[way]!.for,
      options: SCHOOLS[school].map((value): Choice<string> => ({ value, text: said[value]!.name })),
    };
  }

  /** What was done and is in the plan no more. */
  protected readonly gone = computed(() => {
    const there = new Set(this.steps().map(({ id }) => id));
    return Object.entries(this.view.design()?.build.ticks ?? {})
      .filter(([id]) => !there.has(id))
      .map(([id, tick]) => ({ id, as: tick.as, day: datedDay(tick.day, this.today), instead: tick.instead }));
  });

  protected readonly progress = computed(() => {
    const list = this.list();
    const done = list.filter(({ tick }) => tick).length;
    const left = this.steps().filter((_, i) => !list[i]!.tick);
    if (list.length === 0) return null;
    if (left.length === 0) return 'All of it is done.';
    const { minutes, days } = timeOf(left);
    const hours = minutes < 90 ? `${minutes} minutes` : `about ${Math.round(minutes / 30) / 2} hours`;
    return `${done > 0 ? `${done} of ${list.length} done. ` : ''}${plural(left.length, 'step')} to do: ${hours} of work, ${plural(days, 'day')} with the waits.`;
  });
  protected readonly ownOrder = computed(() => (this.view.design()?.build.order.length ?? 0) > 0);

  protected toggle(id: string, title: string, ticked: boolean): void {
    this.refused.set(null);
    this.last.set(ticked ? id : null);
    this.store.edit(ticked ? 'Done' : 'Not done', ticked ? tickStep(id, title, this.today) : untickStep(id));
  }

  protected instead(id: string, text: string): void {
    if ((this.view.design()?.build.ticks[id]?.instead ?? '') !== text.trim()) this.store.edit('Used instead', usedInstead(id, text));
  }

  protected follow(school: School, way: string | null): void {
    const build = this.view.design()?.build;
    if (build && way) this.store.edit(SCHOOL_WORD[school].title, followSchool(build, school, way as never));
  }

  protected move(id: string, by: 1 | -1): void {
    const result = moved(this.steps(), id, by);
    const build = this.view.design()?.build;
    if (!result || !build) return;
    this.refused.set(result.ok ? null : wordFirst(result.first, result.second, this.units(), build).replaceAll('*', ''));
    if (result.ok) this.store.edit('Order of work', inOrderOfOwn(result.order));
  }

  protected usual(): void {
    this.refused.set(null);
    this.store.edit('Usual order', inOrderOfOwn([]));
  }

  protected async photo(id: string, field: HTMLInputElement): Promise<void> {
    const [file] = field.files ?? [];
    const design = this.view.design();
    if (!file || !design) return;
    this.busy.set(id);
    // the picture is on the disk before the design names it: one that names a missing picture could not be mended
    const kept = await keepPhoto(design.id, file);
    field.value = '';
    this.busy.set(null);
    this.refused.set(kept.ok ? null : kept.reason);
    if (kept.ok) this.store.edit('Picture', addPhoto(id, kept.id));
  }

  protected unpicture(id: string, photoId: string): void {
    const design = this.view.design();
    if (design) this.store.edit('Picture out', dropPhoto(design, id, photoId));
  }
}
