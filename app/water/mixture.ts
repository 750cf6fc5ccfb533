import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { emptyOwnCatalogue, saltsKnown } from '../../core/design/own-catalogue';
import type { OnHand } from '../../core/design/room';
import { formatQuantity } from '../../core/quantity/format';
import { CONDITIONERS, conditionerOf } from '../../core/water/conditioners';
import type { OwnMix } from '../../core/water/own-mix';
import { co2At } from '../../core/water/model';
import { SALTS, SEA_SALT } from '../../core/water/salts';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { setSalt, setShare } from '../../core/design/edits/blend-edits';
import { freshId } from '../../core/design/fresh-id';
import { formatGrams } from './grams';
import { OwnMixForm } from './own-mix';
import { AddFrom } from '../ui/add-from';
import { SelectField } from '../ui/select';

/** What is poured, weighed in and treated with: the plan in numbers, each of them a field. */
@Component({
  selector: 'tr-mixture',
  imports: [AddFrom, SelectField, OwnMixForm, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './mixture.html',
  styleUrl: './mixture.less',
})
export class Mixture {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly readOnly = this.view.readOnly;
  protected readonly conditioners = CONDITIONERS.map(({ id, name }) => ({ value: id, text: name }));
  protected readonly treated = computed(() => conditionerOf(this.view.design()?.water.conditioner ?? null));
  /** The level that is held; null where none is, or where it comes of bubbles or grams. */
  protected readonly co2 = computed(() => {
    const set = this.view.design()?.water.co2?.set;
    return set?.by === 'level' ? set.mgPerL : null;
  });
  protected readonly co2Told = computed(() => {
    const set = this.view.design()?.water.co2?.set;
    const course = this.view.derived()?.['gear.co2'].value;
    if (!set || set.by === 'level' || !course) return null;
    return `By ${set.by}: about ${formatQuantity('concentration', course.mgPerL, this.units())}. See Equipment, The day.`;
  });
  private readonly litres = computed(() => this.view.derived()?.['vessel.system-volume'].value ?? null);

  /** Of the tank as it is shown: under a moving hand too. */
  private readonly water = computed(() => this.view.assessment()?.world.design.water);

  protected readonly parts = computed(() => {
    const water = this.water();
    const room = this.view.room();
    const litres = this.litres();
    if (!water || !room) return [];
    const total = Object.values(water.parts).reduce((sum, { share }) => sum + share, 0);
    return inOrder(room.sources).map(([id, { name }]) => {
      const poured = Object.values(water.parts)
        .filter(({ sourceId }) => sourceId === id)
        .reduce((sum, { share }) => sum + share, 0);
      const share = total > 0 ? poured / total : 0;
      return { id, name, share, litres: litres === null || share === 0 ? '' : formatQuantity('volume', litres * share, this.units()) };
    });
  });

  private readonly known = computed(() => saltsKnown(this.view.room()?.own ?? emptyOwnCatalogue()));
  protected readonly salts = computed(() => {
    const litres = this.litres();
    return inOrder(this.water()?.salts ?? {}).map(([id, { saltId, mgPerL }]) => ({
      id,
      saltId,
      name: this.known().get(saltId)?.name ?? saltId,
      mgPerL,
      grams: litres === null ? '' : `${formatGrams((mgPerL * litres) / 1000, this.units())} for the tank`,
    }));
  });

  protected readonly addable = computed(() => {
    const planned = new Set(this.salts().map(({ saltId }) => saltId));
    return [...this.known().values()].filter(({ id }) => !planned.has(id)).map(({ id, name }) => ({ value: id, text: name }));
  });

  protected readonly stock = computed(() => {
    const onHand = inOrder(this.view.room()?.onHand ?? {});
    return [...SALTS, SEA_SALT].map(({ id, name }) => {
      const there = onHand.find(([, { substance }]) => substance === id);
      return { id, name: name.replace(/ \(.*\)$/, ''), key: there?.[0] ?? null, grams: there?.[1].amount ?? 0 };
    });
  });

  protected readonly mixing = signal(false);
  protected readonly mixes = computed(() => {
    const poured = new Set(Object.values(this.water()?.salts ?? {}).map(({ saltId }) => saltId));
    return Object.values(this.view.room()?.own.mixes ?? {}).map(({ id, name }) => ({ id, name, poured: poured.has(id) }));
  });

  protected keepMix(mix: OwnMix): void {
    this.store.editRoom(`Mix ${mix.name}`, [{ op: 'add', path: pointer('own', 'mixes', mix.id), value: mix as never }]);
    this.mixing.set(false);
  }

  protected dropMix(id: string): void {
    this.store.editRoom('Mix taken out', [{ op: 'remove', path: pointer('own', 'mixes', id) }]);
  }

  protected setShare(id: string, share: number): void {
    const design = this.view.design();
    const room = this.view.room();
    if (design && room) this.store.edit('Blend', setShare(design, room, id, share));
  }

  protected setSalt(saltId: string, mgPerL: number): void {
    const design = this.view.design();
    const patch = design ? setSalt(design, saltId, mgPerL) : [];
    if (patch.length > 0) this.store.edit('Add a salt', patch);
  }

  protected add(saltId: string): void {
    this.setSalt(saltId, saltId === SEA_SALT.id ? 1000 : 20);
  }

  protected treat(id: string | null): void {
    this.store.edit('Conditioner', [{ op: 'replace', path: pointer('water', 'conditioner'), value: id }]);
  }

  protected feed(mgPerL: number | null): void {
    this.store.edit('CO₂', [
      {
        op: 'replace',
        path: pointer('water', 'co2'),
        value: mgPerL === null ? null : { ...(this.view.design()?.water.co2 ?? co2At(mgPerL)), set: { by: 'level', mgPerL } },
      },
    ]);
  }

  /** Salts that recipes may take: what the room has. */
  protected keep(id: string, name: string, key: string | null): void {
    if (key !== null) return void this.store.editRoom('Salts on hand', [{ op: 'remove', path: pointer('onHand', key) }]);
    const onHand = this.view.room()?.onHand ?? {};
    const value: OnHand = { order: nextOrder(onHand), kind: 'salt', name, measure: 'mass', amount: 250, note: '', substance: id };
    this.store.editRoom('Salts on hand', [{ op: 'add', path: pointer('onHand', freshId()), value }]);
  }
}
