import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { nameSearch } from '../../core/catalogue/name-search';
import { Bought, type Plant } from '../../core/catalogue/organism';
import { placeOf } from '../../core/assessment/derive/plants';
import { pieceName } from '../../core/assessment/wording/words';
import { pointer } from '../../core/design/edit';
import {
  apartMm,
  copyPlanting,
  groupPlantings,
  plantIn,
  plantOnPieces,
  plantStroke,
  setHold,
  setPlanting,
  setStage,
  type Layout,
} from '../../core/design/edits/planting-edits';
import { plantingNotes, type PlantingNote } from '../../core/plants/notes';
import { trimEveryDays } from '../../core/plants/growth';
import { Hold, type PlantItem, type Stage } from '../../core/plants/model';
import { formatQuantity } from '../../core/quantity/format';
import { plural } from '../../core/quantity/plural';
import { Section } from '../section/section';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { ChoiceField } from '../ui/choice';
import { lightKey } from '../section/light-shade';
import { workedOut } from '../store/worked-out';
import { FeedingRing } from './feeding-ring';
import { FertiliserFields } from './fertiliser-fields';
import { LampFields } from './lamp-fields';
import { PlantingPlans } from './planting-plans';
import { QuantityField } from '../ui/quantity-field';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';

const HOLD_WORD: Readonly<Record<Hold, string>> = {
  rooted: 'Rooted in the bed',
  loose: 'Lying loose',
  tied: 'Tied',
  glued: 'Glued',
  wedged: 'Wedged',
  pane: 'On a pane',
  afloat: 'Afloat',
  chamber: 'In the filter chamber',
  emersed: 'Roots in the water, leaves above',
};
const BOUGHT_WORD: Readonly<Record<Bought, string>> = {
  pot: 'Pot',
  stems: 'Stems',
  portion: 'Portion',
  tub: 'Tub',
  clump: 'Clump',
  cutting: 'My own cutting',
};
const STAGES: { value: Stage; text: string }[] = [
  { value: 'planted', text: 'Planted' },
  { value: 'six-weeks', text: 'Six weeks' },
  { value: 'grown', text: 'Grown in' },
];
const MELTS = 'Loses its leaves when it is moved, or comes grown in air: leave the roots, new ones follow in three to six weeks.';
/** Found kinds that are shown at once. */
const MOST_FOUND = 8;

const NOTE_WORD: Readonly<Record<PlantingNote['kind'], (one: string, other: string) => string>> = {
  'tall-before-low': (tall, low) => `${tall} stands before ${low} and hides it.`,
  alike: (animal, plant) => `${animal} and ${plant} are of one colour: neither shows beside the other.`,
  'leaves-water': (plant) => `${plant} reaches the surface: it lies along it, or is cut.`,
};

/** The plants of the tank: where they stand, what holds them, how far they are grown. */
@Component({
  selector: 'tr-plants-bench',
  imports: [ChoiceField, FeedingRing, FertiliserFields, LampFields, LatinText, PlantingPlans, QuantityField, Section, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plants-bench.html',
  styleUrls: ['../ui/scene-bench.less', './plants-bench.less'],
})
export class PlantsBench {
  protected readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly preferences = inject(PreferencesStore);
  protected readonly units = this.preferences.units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design()?.vessel);
  protected readonly drawing = signal<'section' | 'plan' | 'both'>('section');
  protected readonly selected = signal<string | null>(null);
  protected readonly query = signal('');
  protected readonly layout = signal<Layout>('one');
  /** The kind that is put in wherever the drawing is pressed. */
  protected readonly brush = signal<Plant | null>(null);
  protected readonly stages = STAGES;
  protected readonly shade = signal<'plain' | 'light'>('plain');
  protected readonly shades = [
    { value: 'plain' as const, text: 'Plain' },
    { value: 'light' as const, text: 'Light' },
  ];
  protected readonly lightFront = workedOut(
    this.tank,
    'lightMap',
    computed(() => (this.shade() === 'light' && this.drawing() !== 'plan' ? 'section' : null)),
  );
  protected readonly lightAbove = workedOut(
    this.tank,
    'lightMap',
    computed(() => (this.shade() === 'light' && this.drawing() !== 'section' ? 'plan' : null)),
  );
  protected readonly lightKey = computed(() => lightKey(this.preferences.theme()));
  protected readonly drawings = [
    { value: 'section' as const, text: 'Section' },
    { value: 'plan' as const, text: 'Plan' },
    { value: 'both' as const, text: 'Both' },
  ];
  protected readonly layouts = [
    { value: 'one' as const, text: 'One' },
    { value: 'row' as const, text: 'A row' },
    { value: 'group' as const, text: 'A group' },
  ];
  protected readonly holds = Hold.options.map((value) => ({ value, text: HOLD_WORD[value] }));
  protected readonly boughts = Bought.options.map((value) => ({ value, text: BOUGHT_WORD[value] }));

  constructor() {
    // a search is over all the plants there are
    void this.store.wantWhole().catch(() => undefined);
  }

  protected readonly standing = computed(() => this.tank.told()?.derived['plants.standing'].value ?? []);

  private readonly search = computed(() => {
    const all = [...(this.tank.catalogue()?.organisms.values() ?? [])].filter((entry): entry is Plant => entry.kind === 'plant');
    return nameSearch(all.sort((a, b) => a.latin.localeCompare(b.latin)));
  });
  protected readonly found = computed(() =>
    this.query().trim() === ''
      ? []
      : this.search()(this.query())
          .slice(0, MOST_FOUND)
          .map(({ entry }) => entry),
  );

  protected readonly summary = computed(() => {
    const standing = this.standing();
    const vessel = this.tank.design()?.vessel;
    if (!vessel || standing.length === 0) return null;
    const kinds = new Set(standing.map(({ plant }) => plant.id)).size;
    const count = standing.reduce((sum, { item }) => sum + item.count, 0);
    return `${plural(kinds, 'kind')} · ${plural(count, 'plant')} in ${plural(standing.length, 'planting')}`;
  });

  protected readonly list = computed(() => {
    const nth = new Map<string, number>();
    return this.standing().map(({ id, plant, item }) => {
      const n = (nth.get(plant.id) ?? 0) + 1;
      nth.set(plant.id, n);
      return { value: id, text: `${plant.latin} ${n}${item.count > 1 ? ` (${item.count})` : ''}${item.locked ? ' (locked)' : ''}` };
    });
  });

  /** The planting in hand, its fields and what is known of it. */
  protected readonly planting = computed(() => {
    const found = this.standing().find(({ id }) => id === this.selected());
    const world = this.tank.told()?.world;
    if (!found || !world) return null;
    const units = this.units();
    const trim = trimEveryDays(found.perDay.value);
    const days = (perDay: number) => Math.round(Math.LN2 / perDay);
    const on = found.on;
    return {
      ...found,
      latin: found.plant.latin,
      common: found.plant.common[0] ?? '',
      stands:
        on.kind === 'piece'
          ? `on the ${pieceName(on.id, world)}`
          : {
              bed: 'in the bed',
              bottom: 'on the bare bottom',
              pane: 'on the pane',
              surface: 'at the surface',
              outside: 'in the filter chamber',
            }[on.kind],
      tall: formatQuantity('length', found.heightMm, units),
      grownText: `${Math.round(found.grown * 100)} % of its grown size`,
      doubles:
        found.perDay.value < 0.001 ? 'hardly grows here' : `doubles in ${days(found.perDay.band[1])} to ${days(found.perDay.band[0])} days`,
      trim: trim !== null && found.plant.form === 'stem' ? `trimmed about every ${Math.round(trim)} days` : null,
      lit: found.ppfd === null ? 'light not known' : `about ${Math.round(found.ppfd)} µmol/m²s`,
      stems: found.count > found.item.count ? `${found.count} stems by then, cut and set beside` : null,
      wide: Math.round(found.item.spreadMm * 2),
      lines: [...(found.plant.traits.melts.value && this.tank.design()?.grown !== 'grown' ? [MELTS] : []), ...(found.plant.cautions ?? [])],
    };
  });

  /** What a practised eye sees; no judgement. */
  protected readonly notes = computed(() => {
    const [told, vessel] = [this.tank.told(), this.tank.design()?.vessel];
    if (!told || !vessel) return [];
    const members = told.derived['stock.members'].value ?? [];
    const animals = members.flatMap(({ id, organism }) => (organism?.kind === 'animal' ? [{ id, animal: organism }] : []));
    const name = new Map<string, string>([
      ...this.standing().map(({ id, plant }) => [id, plant.latin] as const),
      ...animals.map(({ id, animal }) => [id, animal.latin] as const),
    ]);
    return plantingNotes(this.standing(), animals, vessel.waterLevelMm).map(({ kind, subjects: [one = '', other = ''] }) => ({
      ids: `${one} ${other}`,
      text: NOTE_WORD[kind](`*${name.get(one) ?? ''}*`, `*${name.get(other) ?? ''}*`),
    }));
  });

  protected readonly pieces = computed(() => {
    const world = this.tank.told()?.world;
    return world
      ? (this.tank.told()?.derived['scene.pieces'].value ?? [])
          .filter(({ of }) => of.group === 'wood' || of.group === 'stone')
          .map(({ id }) => ({ id, name: pieceName(id, world) }))
      : [];
  });

  private readonly place = computed(() => {
    const [design, derived] = [this.tank.design(), this.tank.told()?.derived];
    return design && derived ? placeOf(design, derived) : null;
  });

  protected putIn(plant: Plant, at?: readonly [number, number]): void {
    const design = this.tank.design();
    if (!design?.vessel || this.locked()) return;
    const made = plantIn(design, plant, this.layout(), at ?? this.freePlace(plant), this.place());
    if (this.store.edit(`Plant ${plant.latin}`, made.patch)) this.selected.set(made.id);
  }

  /** Enter in the search puts the first that is found in; the next name takes the place of this one. */
  protected putFirst(search: HTMLInputElement): void {
    const [first] = this.found();
    if (first) this.putIn(first);
    search.select();
  }

  protected onEach(plant: Plant): void {
    const design = this.tank.design();
    if (!design || this.locked()) return;
    const free = this.pieces().filter(({ id }) => !this.standing().some(({ plant: one, item }) => one.id === plant.id && item.onId === id));
    this.store.edit(
      `Tie ${plant.latin} to wood and stone`,
      plantOnPieces(
        design,
        plant,
        free.map(({ id }) => id),
      ),
    );
  }

  protected pressedAt([x, y]: readonly [number, number]): void {
    const brush = this.brush();
    if (brush) this.putIn(brush, [x, y]);
  }

  protected painted(dabs: readonly (readonly [number, number])[]): void {
    const [brush, design] = [this.brush(), this.tank.design()];
    if (brush && design && !this.locked())
      this.store.edit(`Plant a stretch of ${brush.latin}`, plantStroke(design, brush, dabs, this.place()));
  }
  protected readonly apartMm = computed(() => {
    const brush = this.brush();
    return brush ? apartMm(brush) : 60;
  });

  /** The others, to be moved with the one in hand. */
  protected readonly others = computed(() => {
    const groupId = this.planting()?.item.groupId ?? null;
    const own = new Set(this.standing().flatMap(({ id, item }) => (groupId !== null && item.groupId === groupId ? [id] : [])));
    return this.list().filter(({ value }) => value !== this.selected() && !own.has(value));
  });
  protected groupWith(otherId: string | null): void {
    const [design, id] = [this.tank.design(), this.selected()];
    if (design && id && otherId) this.store.edit('Move plants together', groupPlantings(design, id, otherId));
  }

  protected setStage(stage: Stage): void {
    const text = STAGES.find(({ value }) => value === stage)?.text.toLowerCase() ?? stage;
    this.store.edit(`Look at it ${text}`, setStage(stage));
  }

  protected set<K extends keyof PlantItem>(part: K, value: PlantItem[K], label: string): void {
    const id = this.selected();
    if (id) this.store.edit(label, setPlanting(id, part, value));
  }

  protected setHold(hold: Hold | null): void {
    const found = this.planting();
    if (found) this.store.edit('How a plant is held', setHold(found.id, found.item, hold, this.place()));
  }

  protected setPlace(axis: 0 | 1 | 2, mm: number | null): void {
    const item = this.planting()?.item;
    if (!item || mm === null) return;
    const value: [number, number, number] = [...item.positionMm];
    value[axis] = mm;
    this.set('positionMm', value, 'Place of a plant');
  }

  protected copy(mirrored: boolean): void {
    const design = this.tank.design();
    const id = this.selected();
    if (!design || !id) return;
    const made = copyPlanting(design, id, mirrored);
    if (this.store.edit(mirrored ? 'Mirror a plant' : 'Copy a plant', made.patch)) this.selected.set(made.id);
  }

  protected remove(id: string): void {
    if (this.locked()) return;
    this.store.edit('Take a plant out', [{ op: 'remove', path: pointer('scene', id) }]);
    this.selected.set(null);
  }

  /** Tall ones behind, low ones before, each in the widest gap there is. */
  private freePlace(plant: Plant): [number, number] {
    const { lengthMm, widthMm } = this.tank.design()!.vessel!;
    const tall = plant.sizeMm.length.value ?? 100;
    const depth = plant.form === 'carpet' ? 0.25 : tall > 200 ? 0.78 : tall > 90 ? 0.55 : 0.35;
    const pieces = this.place()?.pieces ?? [];
    const others = this.standing().map(({ item }) => item.positionMm);
    const holds = plant.traits.rooting.value === 'attach';
    let best: { at: [number, number]; free: number } | null = null;
    const spots: [number, number][] = holds
      ? pieces.map(({ bounds: { low, high } }) => [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2])
      : Array.from({ length: 19 }, (_, i) => [lengthMm * (0.05 + (0.9 * i) / 18), widthMm * depth]);
    for (const at of spots) {
      const near = Math.min(...others.map(([x, y]) => Math.hypot(x - at[0], y - at[1])), 400);
      const blocked =
        !holds && pieces.some(({ bounds: { low, high } }) => at[0] > low[0] && at[0] < high[0] && at[1] > low[1] && at[1] < high[1]);
      const free = near - (blocked ? 1000 : 0) - 0.02 * Math.abs(at[0] - lengthMm * 0.35);
      if (!best || free > best.free) best = { at, free };
    }
    return best?.at ?? [lengthMm / 2, widthMm * depth];
  }
}
