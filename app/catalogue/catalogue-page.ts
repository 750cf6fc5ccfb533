import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink } from '@angular/router';
import type { Operation } from 'rfc6902';
import type { Biotope } from '../../core/catalogue/biotope';
import type { Material } from '../../core/catalogue/material';
import type { Animal, Organism } from '../../core/catalogue/organism';
import { pointer } from '../../core/design/edit';
import { overridesOf, withOwn, saltsKnown } from '../../core/design/own-catalogue';
import type { Room } from '../../core/design/room';
import type { Fact } from '../../core/quantity/fact';
import { bodyPath, drawnSize } from '../section/silhouettes';
import { Library } from '../store/library';
import { downloadRoom } from '../store/room-file';
import { historyOf, RoomSession } from '../store/room-session';
import { ChoiceField } from '../ui/choice';
import { PageHeader } from '../parts/page-header';
import { SaveMark } from '../ui/save-mark';
import { CompareTable } from './compare-table';
import { Conditions } from './conditions';
import { FactTable } from './fact-table';
import { fieldsOf, materialFieldsOf, SOUGHT } from './fields';
import { copyEntry, deleteEntry, dropFact, keepPlaces, ownFact } from '../../core/design/edits/own-edits';
import { OwnMaterial } from './own-material';
import { PlaceSheet } from './place-sheet';
import { RecordsPanel } from './records-panel';
import { itemsOf, meets, searchOf, SHELVES, type Condition, type Item, type Shelf } from './shelf';

const MOST_COMPARED = 4;
const REST_MS = 150;
const SHELF_WORD: Readonly<Record<Shelf, string>> = { animals: 'Animals', plants: 'Plants', places: 'Places', materials: 'Materials' };

/** The catalogue as this room knows it: search, sift, compare, open every value, put down one's own. */
@Component({
  selector: 'tr-catalogue-page',
  imports: [
    RouterLink,
    ScrollingModule,
    ChoiceField,
    SaveMark,
    PageHeader,
    Conditions,
    FactTable,
    CompareTable,
    OwnMaterial,
    PlaceSheet,
    RecordsPanel,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './catalogue-page.html',
  styleUrl: './catalogue-page.less',
})
export class CataloguePage {
  readonly roomId = input.required<string>();
  /** What is looked at, as the address says. */
  readonly entry = input<string>();
  private readonly library = inject(Library);
  private readonly router = inject(Router);

  protected readonly shelves = SHELVES.map((value) => ({ value, text: SHELF_WORD[value] }));
  protected readonly shelfWord = SHELF_WORD;
  protected readonly mostCompared = MOST_COMPARED;
  protected readonly session = inject(RoomSession);
  protected readonly state = toSignal(this.session.state$, { initialValue: null });
  protected readonly history = computed(() => historyOf(this.state()));
  protected readonly problem = signal<string | null>(null);
  private readonly shipped = toSignal(this.library.catalogue$);

  protected readonly room = computed(() => this.state()?.document ?? null);
  private readonly own = computed(() => this.room()?.own);
  protected readonly catalogue = computed(() => {
    const [shipped, own] = [this.shipped(), this.own()];
    return shipped && own ? withOwn(shipped, own) : null;
  });

  protected readonly shelf = linkedSignal<Shelf>(() => {
    const [id, catalogue] = [this.entry(), this.catalogue()];
    if (!id || !catalogue) return 'animals';
    if (catalogue.biotopes.has(id)) return 'places';
    const organism = catalogue.organisms.get(id);
    return organism ? (organism.kind === 'plant' ? 'plants' : 'animals') : 'materials';
  });
  protected readonly query = signal('');
  protected readonly conditions = signal<readonly Condition[]>([]);
  protected readonly fields = computed(() => SOUGHT[this.shelf()]);
  private readonly items = computed(() => {
    const catalogue = this.catalogue();
    return catalogue ? itemsOf(catalogue, this.shelf(), saltsKnown(this.own()!)) : [];
  });
  private readonly search = computed(() => searchOf(this.items()));
  protected readonly found = computed(() => {
    const conditions = this.conditions();
    const hits = this.search()(this.query());
    if (conditions.length === 0) return [...hits];
    const fields = new Map(this.fields().map((field) => [field.path, field]));
    return hits.filter((item) =>
      conditions.every((condition) => meets(item, condition, fields.get(condition.path), (id) => this.isOwn(id))),
    );
  });

  /** The best hit, once the hand rests: a sheet of fifty facts is not drawn anew for every key. */
  private readonly first = signal<string | null>(null);
  private resting: ReturnType<typeof setTimeout> | undefined;

  protected seek(query: string): void {
    this.query.set(query);
    clearTimeout(this.resting);
    this.resting = setTimeout(() => this.first.set(this.found()[0]?.id ?? null), REST_MS);
  }

  protected readonly chosen = computed<Item | null>(() => {
    const items = this.items();
    const wanted = this.entry() ?? this.first();
    return items.find(({ id }) => id === wanted) ?? (this.entry() ? null : (items[0] ?? null));
  });
  protected readonly organism = computed(() =>
    this.chosen() && this.shelf() !== 'places' && this.shelf() !== 'materials' ? (this.chosen()!.entry as Organism) : null,
  );
  protected readonly place = computed(() => (this.shelf() === 'places' ? ((this.chosen()?.entry as Biotope | undefined) ?? null) : null));
  protected readonly material = computed(() => {
    const entry = this.shelf() === 'materials' ? (this.chosen()?.entry as Material | undefined) : undefined;
    return entry && 'action' in entry ? entry : null;
  });
  protected readonly entryFields = computed(() => {
    const [organism, material] = [this.organism(), this.material()];
    return organism ? fieldsOf(organism) : material ? materialFieldsOf(material) : [];
  });
  /** The entry without the room's own facts. */
  protected readonly asShipped = computed(() => {
    const id = this.chosen()?.id ?? '';
    return this.shipped()?.organisms.get(id) ?? this.own()?.organisms[id] ?? null;
  });
  protected readonly ownPaths = computed(() => {
    const [own, id] = [this.own(), this.chosen()?.id];
    return new Set(own && id ? overridesOf(own, id).map(({ path }) => path) : []);
  });
  protected readonly mine = computed(() => {
    const [own, id] = [this.own(), this.chosen()?.id ?? ''];
    return own ? [own.organisms, own.biotopes, own.materials, own.mixes].some((table) => Object.hasOwn(table, id)) : false;
  });
  protected readonly placesShown = computed<Biotope[]>(() => this.found().map(({ entry }) => entry as Biotope));

  protected readonly outline = computed(() => {
    const organism = this.organism();
    if (organism?.kind !== 'animal') return null;
    const animal: Animal = organism;
    const [length, depth] = [animal.sizeMm.length.value, animal.sizeMm.depth.value];
    if (!length || !depth) return null;
    const { wideMm: long, highMm: deep } = drawnSize(animal.form, length, depth);
    const [fill = '#8a8577', mark = '#25231d'] = animal.bodyColours.value ?? [];
    const ruler = Math.max(long, deep) > 120 ? 100 : long > 40 ? 50 : 10;
    const wide = Math.max(long, ruler);
    const scale = Math.min(2.2, 210 / wide, 84 / (deep + 10));
    return { path: bodyPath(animal.form, length, depth), long, deep, fill, mark, ruler, wide, scale };
  });

  protected readonly comparing = signal<readonly string[]>([]);
  protected readonly compared = computed(() => {
    const byId = new Map(this.items().map((item) => [item.id, item]));
    return this.comparing().flatMap((id) => byId.get(id) ?? []);
  });
  protected readonly showCompared = signal(false);

  protected readonly copying = signal(false);
  /** A material of the room's own is being put down. */
  protected readonly making = signal(false);
  protected readonly reason = signal<string | null>(null);

  constructor() {
    const title = inject(Title);
    effect((onCleanup) => {
      const id = this.roomId();
      let current = true;
      onCleanup(() => (current = false));
      void this.load(id, () => current);
    });
    effect(() => title.setTitle(`${this.chosen()?.name ?? 'Catalogue'} · ${this.room()?.name ?? ''} · Terroir`));
    effect(() => {
      this.chosen();
      this.copying.set(false);
      this.making.set(false);
      this.reason.set(null);
    });
    effect(() => {
      if (this.viewport() && this.catalogue() && this.shelf()) untracked(() => this.reveal());
    });
    inject(DestroyRef).onDestroy(() => {
      clearTimeout(this.resting);
      void this.session.close();
    });
  }

  private async load(id: string, isCurrent: () => boolean): Promise<void> {
    try {
      let room = await this.session.open(id);
      // who comes by the address alone finds the demo room too
      if (!room) {
        await this.library.layDemoOnce();
        room = await this.session.open(id);
      }
      if (isCurrent() && !room) this.problem.set('No such room here. It may live in another browser.');
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
  }

  /** Keeps what is here as a room of its own and goes there. */
  protected async keepCopy(): Promise<void> {
    const copy = await this.session.keepCopy();
    if (copy) await this.router.navigate(['/room', copy.id, 'catalogue']);
  }

  protected async exportRoom(room: Room): Promise<void> {
    const [unreadable] = await downloadRoom(this.library, room);
    this.problem.set(unreadable ?? null);
  }

  protected isOwn(id: string): boolean {
    const own = this.own();
    return (
      own !== undefined &&
      ([own.organisms, own.biotopes, own.materials, own.mixes].some((table) => Object.hasOwn(table, id)) ||
        Object.values(own.overrides).some(({ entryId }) => entryId === id))
    );
  }

  protected goTo(id: string): void {
    this.showCompared.set(false);
    void this.router.navigate([], { queryParams: { entry: id }, replaceUrl: true });
  }

  protected setShelf(shelf: Shelf): void {
    this.query.set('');
    this.conditions.set([]);
    this.comparing.set([]);
    this.showCompared.set(false);
    void this.router.navigate([], { queryParams: {}, replaceUrl: true }).then(() => this.shelf.set(shelf));
  }

  protected compare(id: string): void {
    this.comparing.update((ids) => (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id].slice(-MOST_COMPARED)));
    if (this.comparing().length < 2) this.showCompared.set(false);
  }

  protected keep(path: string, fact: Fact<unknown>): void {
    const [own, organism] = [this.own(), this.organism()];
    if (!own || !organism) return;
    const edit = ownFact(own, organism, path, fact);
    this.reason.set(edit.ok ? null : edit.reason);
    if (edit.ok) this.edit(`Own figure for ${organism.latin}`, edit.patch);
  }

  protected drop(path: string): void {
    const [own, organism] = [this.own(), this.organism()];
    if (own && organism) this.edit(`Catalogue’s figure for ${organism.latin}`, dropFact(own, organism.id, path));
  }

  protected copy(latin: string, common: string): void {
    const [catalogue, organism] = [this.catalogue(), this.organism()];
    if (!catalogue || !organism) return;
    const edit = copyEntry(catalogue, organism, latin, common);
    this.reason.set(edit.ok ? null : edit.reason);
    if (!edit.ok || !edit.id) return;
    this.edit(`Own entry ${latin.trim()}`, edit.patch);
    this.query.set('');
    this.goTo(edit.id);
  }

  protected keepDrafts(drafts: readonly Biotope[]): void {
    const catalogue = this.catalogue();
    if (!catalogue) return;
    const { patch, ids } = keepPlaces(catalogue, drafts);
    this.edit(drafts.length === 1 ? `Place ${drafts[0]!.name}` : `${drafts.length} places`, patch);
    if (ids[0]) this.goTo(ids[0]);
  }

  protected keepMaterial(material: Material): void {
    this.edit(`Own material ${material.name}`, [{ op: 'add', path: pointer('own', 'materials', material.id), value: material as never }]);
    this.making.set(false);
    this.query.set('');
    this.goTo(material.id);
  }

  protected remove(): void {
    const [own, id] = [this.own(), this.chosen()?.id];
    if (!own || !id) return;
    const table = (['biotopes', 'materials', 'mixes'] as const).find((one) => Object.hasOwn(own[one], id));
    this.edit('Delete an own entry', table ? [{ op: 'remove', path: pointer('own', table, id) }] : deleteEntry(own, id));
    void this.router.navigate([], { queryParams: {}, replaceUrl: true });
  }

  protected readonly trackId = (_: number, { id }: Item): string => id;

  private readonly viewport = viewChild(CdkVirtualScrollViewport);

  /** Brings what the address names into the list's sight, once. */
  private reveal(): void {
    const at = this.found().findIndex(({ id }) => id === this.entry());
    if (at > 0) setTimeout(() => this.viewport()?.scrollToIndex(Math.max(0, at - 3)));
  }

  private edit(label: string, patch: readonly Operation[]): void {
    this.session.edit(label, patch);
  }
}
