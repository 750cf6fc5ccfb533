import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Biotope } from '../../core/catalogue/biotope';
import type { Animal, Organism } from '../../core/catalogue/organism';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatSpan } from '../../core/quantity/format';
import { TankView } from '../store/tank-view';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { ChoiceField, type Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { setCount } from '../../core/design/edits/company-edits';
import { AnimalCard } from './animal-card';
import { PlaceCard } from './place-card';
import { OwnKind } from './own-kind';
import { animalSearch } from '../../core/catalogue/name-search';
import { placeSearch } from './search';
import { addAnimal, addPlant, chooseBiotope, removeAnimal, removePlants } from '../../core/design/edits/stock-edits';
import { freshId } from '../../core/design/fresh-id';

/** Most hits written out; the rest are a letter away. */
const MOST_HITS = 40;

/** Starts the work: name the animal, or the wild place. */
@Component({
  selector: 'tr-livestock-bench',
  imports: [ChoiceField, RouterLink, ChoiceField, QuantityField, AnimalCard, OwnKind, PlaceCard],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './livestock-bench.html',
  styleUrl: './livestock-bench.less',
})
export class LivestockBench {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly modes = [
    { value: 'animal', text: 'Animal' },
    { value: 'place', text: 'Place' },
  ] as const;
  protected readonly phases = [
    { value: 'keep', text: 'Keep' },
    { value: 'spawn', text: 'Breed' },
  ] as const;
  protected readonly units = inject(PreferencesStore).units;

  /** What to start from, as the address may say. */
  readonly face = input<string>();
  protected readonly mode = linkedSignal<'animal' | 'place'>(() => (this.face() === 'place' ? 'place' : 'animal'));
  protected readonly query = signal('');
  private readonly searchAnimals = computed(() => animalSearch(this.view.catalogue()?.organisms.values() ?? []));
  private readonly searchPlaces = computed(() => placeSearch(this.view.catalogue()?.biotopes.values() ?? []));
  protected readonly animals = computed(() => this.searchAnimals()(this.query()));
  /** Several kinds go by just what was typed: which one is meant is the user's to say. */
  protected readonly choice = computed(() => {
    const exact = this.animals().filter((hit) => hit.exact).length;
    return exact > 1 ? exact : 0;
  });
  protected readonly making = signal(false);
  private readonly box = viewChild<ElementRef<HTMLInputElement>>('box');
  protected readonly places = computed(() => this.searchPlaces()(this.query()));

  /** What is looked at: what was clicked, else the first hit while searching, else the target of the design. Edits do not move it. */
  protected readonly animalId = linkedSignal<{ query: string; catalogue: unknown }, string | null>({
    source: () => ({ query: this.query(), catalogue: this.view.catalogue() }),
    // the catalogue comes in parts: what was chosen by hand or found before stays
    computation: ({ query }, previous) => {
      if (previous?.source.query === query && previous.value !== null) return previous.value;
      return untracked(() => {
        if (query.trim() !== '') return this.animals()[0]?.entry.id ?? null;
        const design = this.view.design();
        return design?.stock[design.brief.targetStockIds[0] ?? '']?.organismId ?? null;
      });
    },
  });
  protected readonly placeId = linkedSignal<string, string | null>({
    source: this.query,
    computation: (query) =>
      untracked(() => {
        const first = this.places()[0]?.id ?? null;
        return query.trim() === '' ? (this.view.design()?.brief.biotopeId ?? first) : first;
      }),
  });
  protected readonly animal = computed<Animal | null>(() => {
    const entry = this.view.catalogue()?.organisms.get(this.animalId() ?? '');
    return entry?.kind === 'animal' ? entry : null;
  });
  protected readonly place = computed<Biotope | null>(() => this.view.catalogue()?.biotopes.get(this.placeId() ?? '') ?? null);

  protected readonly stock = computed(() => {
    const design = this.view.design();
    const catalogue = this.view.catalogue();
    if (!design || !catalogue) return [];
    const judged = new Set(this.view.assessment()?.findings.map(({ key }) => key));
    return inOrder(design.stock).map(([id, entry]) => ({
      id,
      entry,
      organism: catalogue.organisms.get(entry.organismId),
      name: this.view.members().find((member) => member.id === id)?.organism?.latin ?? entry.organismId,
      candidates: (entry.candidateIds ?? []).flatMap((one) => catalogue.organisms.get(one) ?? []),
      target: design.brief.targetStockIds.includes(id),
      betweenWaters: judged.has(`water.salinity-acclimation:${id}`),
    }));
  });
  protected readonly plants = computed(() => this.view.members().filter(({ organism }) => organism?.kind === 'plant'));

  constructor() {
    // an empty tank waits for a name; a board of glass would come up over half of a small screen
    afterNextRender(() => {
      const free = document.activeElement === document.body || document.activeElement?.tagName === 'MAIN';
      if (this.stock().length === 0 && free && matchMedia('(pointer: fine)').matches) this.box()?.nativeElement.focus();
    });
  }

  protected temperatureOf(place: Biotope): string {
    const span = place.water.temperatureC?.value;
    return span ? formatSpan('temperature', [span[0], span[1]], this.units()) : '';
  }

  protected readonly mostHits = MOST_HITS;
  protected readonly fidelities: readonly Choice<'strict' | 'loose' | null>[] = [
    { value: null, text: 'Not judged' },
    { value: 'loose', text: 'Loosely' },
    { value: 'strict', text: 'Strictly' },
  ];

  /** The place the tank is built after, and how much of it is true to it. */
  protected readonly meant = computed(() => {
    const { biotopeId, fidelity } = this.view.design()?.brief ?? {};
    const place = this.view.catalogue()?.biotopes.get(biotopeId ?? '');
    if (!place || fidelity === undefined) return null;
    const judged = this.view.open().filter(({ code }) => code.startsWith('biotope.'));
    const count = (severity: string) => judged.filter((finding) => finding.severity === severity).length;
    const unknown = count('unknown');
    return {
      id: place.id,
      name: place.name,
      fidelity,
      text: `${count('fits')} match the biotope, ${count('watch')} do not${unknown > 0 ? `, ${unknown} not known` : ''}`,
    };
  });

  protected setFidelity(value: 'strict' | 'loose' | null): void {
    this.store.edit('Biotope accuracy', [{ op: 'replace', path: '/brief/fidelity', value }]);
  }

  protected add(animal: Animal, count: number, breed: boolean, orElse: readonly string[] = []): void {
    const design = this.view.design();
    if (!design) return;
    const name = orElse.length > 0 ? 'an animal not identified' : animal.latin;
    this.store.edit(`Add ${count} ${name}`, addAnimal(design, animal, count, breed, freshId(), orElse));
  }

  protected keepOwn(organism: Organism): void {
    this.store.editRoom(`Own entry ${organism.latin}`, [
      { op: 'add', path: pointer('own', 'organisms', organism.id), value: organism as never },
    ]);
    this.making.set(false);
    this.query.set(organism.latin);
  }

  protected identify(id: string, organismId: string): void {
    this.store.edit('Identify', [
      { op: 'replace', path: pointer('stock', id, 'organismId'), value: organismId },
      { op: 'remove', path: pointer('stock', id, 'candidateIds') },
    ]);
    this.animalId.set(organismId);
  }

  protected buildFrom(place: Biotope, animal: Animal, count: number, breed: boolean): void {
    const design = this.view.design();
    if (!design) return;
    this.store.edit(`Build for ${animal.latin}`, [...chooseBiotope(place.id), ...addAnimal(design, animal, count, breed, freshId())]);
  }

  protected plant(id: string): void {
    const design = this.view.design();
    const plant = this.view.catalogue()?.organisms.get(id);
    if (design && plant?.kind === 'plant') this.store.edit(`Plant ${plant.latin}`, addPlant(design, plant, freshId()));
  }

  protected setCount(id: string, count: number): void {
    const design = this.view.design();
    if (design) this.store.edit('Count', setCount(design, id, count));
  }

  /** A search is for all there is. */
  protected wantAll(): void {
    void this.store.wantWhole();
  }

  protected setPhase(id: string, phase: string): void {
    if (this.view.design()?.stock[id]?.phase !== phase)
      this.store.edit('Keep or breed', [{ op: 'replace', path: pointer('stock', id, 'phase'), value: phase }]);
  }

  protected setArrival(id: string, salinity: number): void {
    this.store.edit('Arrival salinity', [
      { op: 'add', path: pointer('stock', id, 'arrivalSalinity'), value: { value: salinity, basis: 'measured' } },
    ]);
  }

  protected remove(id: string): void {
    const design = this.view.design();
    if (design) this.store.edit('Take an animal out', removeAnimal(design, id));
  }

  protected removePlant(classId: string): void {
    const design = this.view.design();
    if (design) this.store.edit('Take a plant out', removePlants(design, classId));
  }
}
