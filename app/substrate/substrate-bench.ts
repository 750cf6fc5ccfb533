import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatQuantity, formatSpan, rounded } from '../../core/quantity/format';
import { capsuleCount } from '../../core/substrate/capsule-grid';
import { movingCurrentMmPerS } from '../../core/substrate/grain-moves';
import type { Layer, ZoneKind } from '../../core/substrate/model';
import { preparationOf, toBuy, type Preparation } from '../../core/substrate/preparation';
import { hatchOf } from '../section/ground-drawing';
import { Section } from '../section/section';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import { ChoiceField } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { addLayer, addZone, removeZone, setBank } from '../../core/design/edits/bed-edits';
import { BedKnots } from './bed-knots';
import { AddFrom } from '../ui/add-from';
import { SelectField } from '../ui/select';

const ZONE_WORD: Readonly<Record<ZoneKind, string>> = { path: 'Path', front: 'Sand front', bare: 'Bare patch', terrace: 'Terrace' };
const PREPARATION_WORD: Readonly<Record<Preparation, string>> = {
  rinse: 'rinse until the water runs clear; its dust is bad for lungs, keep it wet',
  'do-not-rinse': 'do not rinse: its dust is what works',
  sieve: 'sieve out roots and stones',
  'soak-and-press': 'soak, press flat and free of air before it is capped',
  cloth: 'a cloth under it',
  'fill-slowly': 'fill slowly',
};

const underHeading =
  (group: string) =>
  ({ id, name }: { id: string; name: string }) => ({ value: id, text: name, group });

/** The bed: layers bottom up, zones, and what to buy for it. */
@Component({
  selector: 'tr-substrate-bench',
  imports: [AddFrom, SelectField, BedKnots, ChoiceField, Check, QuantityField, Section],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './substrate-bench.html',
  styleUrl: './substrate-bench.less',
})
export class SubstrateBench {
  protected readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design()?.vessel);
  protected readonly drawing = signal<'section' | 'plan' | 'both'>('section');
  protected readonly drawings = [
    { value: 'section' as const, text: 'Section' },
    { value: 'plan' as const, text: 'Plan' },
    { value: 'both' as const, text: 'Both' },
  ];
  protected readonly zoneKinds = Object.entries(ZONE_WORD).map(([kind, name]) => ({ kind: kind as ZoneKind, name }));
  private readonly picked = signal<string | null>(null);

  private readonly bed = computed(() => this.tank.told()?.derived['substrate.bed'].value ?? null);
  protected readonly plan = computed(() => this.tank.design()?.substrate ?? null);

  /** The layer whose top is in the hand: the one picked, else the uppermost. */
  protected readonly shaping = computed(() => {
    const layers = this.bed()?.layers ?? [];
    return layers.find(({ id }) => id === this.picked())?.id ?? layers.at(-1)?.id ?? null;
  });

  protected readonly rows = computed(() => {
    const design = this.tank.design();
    const bed = this.bed();
    const units = this.units();
    if (!design || !bed) return [];
    const slopes = this.tank.told()?.derived['substrate.slopes'].value?.steepest ?? [];
    return bed.layers
      .map((layer, i) => {
        const stated = design.substrate.layers[layer.id];
        const { material, grainMm } = layer;
        const density = material?.densityKgPerM3.value ?? null;
        const buy = toBuy(layer.litres, layer.kg, this.atHand(layer.materialId), density === null ? null : density / 1000);
        const slope = slopes.find((one) => one.layer === i);
        return {
          id: layer.id,
          name: material?.name ?? layer.materialId,
          colour: material?.colour ?? '#9b9484',
          hatch: hatchOf(material, grainMm),
          materialId: layer.materialId,
          where: this.whereOf(stated),
          front: stated ? edgeMean(stated, 'front') : 0,
          back: stated ? edgeMean(stated, 'back') : 0,
          grain: grainMm,
          depth: formatSpan('length', [layer.depthMm.least, layer.depthMm.most], units),
          litres: formatQuantity('volume', layer.litres, units),
          kg: layer.kg === null ? 'weight not known' : formatQuantity('mass', layer.kg * 1000, units),
          buy:
            buy.litres < 0.05 && layer.litres > 0
              ? 'all at hand'
              : `${formatQuantity('volume', buy.litres, units)}${buy.kg === null ? '' : `, ${formatQuantity('mass', buy.kg * 1000, units)}`}`,
          hasStock: buy.litres < layer.litres - 0.05,
          slope: slope && slope.degrees >= 1 ? `${Math.round(slope.degrees)}° at its steepest` : 'level',
          moves:
            grainMm && !material?.filler && grainMm[0] >= 0.02 && grainMm[0] <= 40
              ? `fine grain moves from ${formatQuantity('length', movingCurrentMmPerS(grainMm[0]), units)}/s`
              : '',
          cloth: layer.cloth,
          wears: material?.action.kind === 'exchanges' || material?.action.kind === 'leaches',
          spent: layer.spent,
        };
      })
      .reverse();
  });

  protected readonly materials = computed(() => {
    const all = [...(this.tank.catalogue()?.materials.values() ?? [])].filter(({ use }) => use === 'substrate');
    return [
      ...all.filter(({ nutrient, filler }) => !nutrient && !filler).map(underHeading('Beds')),
      ...all.filter(({ nutrient }) => nutrient).map(underHeading('Nutrient layers, to be capped')),
      ...all.filter(({ filler }) => filler).map(underHeading('Fillers, for height')),
    ];
  });

  protected readonly zones = computed(() =>
    inOrder(this.plan()?.zones ?? {}).map(([id, zone]) => ({ id, name: ZONE_WORD[zone.kind], edgeTopMm: zone.edgeTopMm })),
  );

  protected readonly facts = computed(() => {
    const bed = this.bed();
    const derived = this.tank.told()?.derived;
    const design = this.tank.design();
    if (!bed || !derived || !design?.vessel || bed.layers.length === 0) return null;
    const units = this.units();
    const water = derived['vessel.water-volume'].value;
    const soil = bed.layers.filter(({ material }) => material?.action.kind === 'exchanges').reduce((sum, { litres }) => sum + litres, 0);
    const { capsules } = design.substrate;
    const area = design.vessel.lengthMm * design.vessel.widthMm;
    return {
      litres: formatQuantity('volume', bed.litres, units),
      kg: formatQuantity('mass', bed.kg * 1000, units),
      keepsOut: formatQuantity('volume', bed.grainL, units),
      water: water === null ? 'not known' : formatQuantity('volume', water, units),
      soil: soil > 0 && water ? `1 : ${rounded(water / soil, 1, units)}` : null,
      capsules: capsules ? capsuleCount(area, capsules.spacingMm) : null,
    };
  });

  protected readonly preparation = computed(() =>
    preparationOf(this.bed()?.layers ?? []).map(({ name, step }) => `${name}: ${PREPARATION_WORD[step]}.`),
  );

  protected pick(id: string): void {
    this.picked.set(id);
  }

  protected add(materialId: string): void {
    const design = this.tank.design();
    const material = this.tank.catalogue()?.materials.get(materialId);
    if (!design || !material) return;
    if (this.store.edit(`Lay ${material.name.toLowerCase()}`, addLayer(design, material))) this.picked.set(null);
  }

  protected remove(id: string): void {
    this.store.edit('Take a layer out', [{ op: 'remove', path: pointer('substrate', 'layers', id) }]);
  }

  protected lower(id: string): void {
    this.swap(id, -1);
  }

  protected raise(id: string): void {
    this.swap(id, 1);
  }

  /** Changes places with the next layer up or down; their tops change places too, so that each keeps its depth as nearly as it can. */
  private swap(id: string, by: 1 | -1): void {
    const layers = inOrder(this.plan()?.layers ?? {});
    const at = layers.findIndex(([key]) => key === id);
    const [own, other] = [layers[at], layers[at + by]];
    if (!own || !other) return;
    this.store.edit('Change the order of layers', [
      { op: 'replace', path: pointer('substrate', 'layers', own[0], 'order'), value: other[1].order },
      { op: 'replace', path: pointer('substrate', 'layers', other[0], 'order'), value: own[1].order },
      { op: 'replace', path: pointer('substrate', 'layers', own[0], 'top'), value: other[1].top },
      { op: 'replace', path: pointer('substrate', 'layers', other[0], 'top'), value: own[1].top },
    ]);
  }

  protected setMaterial(id: string, materialId: string): void {
    this.store.edit('Material of a layer', [
      { op: 'replace', path: pointer('substrate', 'layers', id, 'materialId'), value: materialId },
      { op: 'replace', path: pointer('substrate', 'layers', id, 'grainMm'), value: null },
    ]);
  }

  protected setEdge(id: string, edge: 'front' | 'back', mm: number | null): void {
    const layer = this.plan()?.layers[id];
    if (!layer || mm === null) return;
    const [front, back] = edge === 'front' ? [mm, edgeMean(layer, 'back')] : [edgeMean(layer, 'front'), mm];
    this.store.edit('Height of a layer', setBank(layer, id, front, back));
  }

  protected setGrain(id: string, end: 0 | 1, mm: number | null): void {
    const now = this.bed()?.layers.find((layer) => layer.id === id)?.grainMm ?? null;
    if (mm === null) return;
    const value = now ? [...now] : [mm, mm];
    value[end] = mm;
    this.store.edit('Grain of a layer', [{ op: 'replace', path: pointer('substrate', 'layers', id, 'grainMm'), value }]);
  }

  protected set(id: string, part: 'cloth' | 'spent', value: boolean | number): void {
    this.store.edit(part === 'cloth' ? 'Cloth under a layer' : 'Used up', [
      { op: 'replace', path: pointer('substrate', 'layers', id, part), value },
    ]);
  }

  protected setPlan(part: 'bare' | 'mat', value: boolean): void {
    this.store.edit(part === 'bare' ? 'Bare bottom' : 'Mat on the bottom', [{ op: 'replace', path: pointer('substrate', part), value }]);
  }

  protected setCapsules(part: 'spacingMm' | 'depthMm', mm: number | null): void {
    const now = this.plan()?.capsules ?? { spacingMm: 50, depthMm: 35 };
    if (mm !== null) this.store.edit('Root capsules', [{ op: 'replace', path: '/substrate/capsules', value: { ...now, [part]: mm } }]);
  }

  protected toggleCapsules(on: boolean): void {
    this.store.edit('Root capsules', [{ op: 'replace', path: '/substrate/capsules', value: on ? { spacingMm: 50, depthMm: 35 } : null }]);
  }

  protected addZone(kind: ZoneKind): void {
    const design = this.tank.design();
    if (design) this.store.edit(`Lay out: ${ZONE_WORD[kind].toLowerCase()}`, addZone(design, kind));
  }

  protected removeZone(id: string): void {
    const design = this.tank.design();
    if (design) this.store.edit('Take a zone out', removeZone(design, id));
  }

  protected setEdgeTop(id: string, mm: number | null): void {
    this.store.edit('Edge of a zone', [{ op: 'replace', path: pointer('substrate', 'zones', id, 'edgeTopMm'), value: mm }]);
  }

  private whereOf(layer: Layer | undefined): string {
    switch (layer?.area.kind) {
      case 'open':
        return 'outside the zones';
      case 'zone': {
        const zone = this.plan()?.zones[layer.area.zoneId];
        return zone ? `in the ${ZONE_WORD[zone.kind].toLowerCase()}` : '';
      }
      case 'patch':
        return 'in a patch, under what shows';
      default:
        return 'all over';
    }
  }

  /** What is at hand of a material in the room. */
  private atHand(materialId: string): { litres: number; kg: number } {
    const found = Object.values(this.tank.room()?.onHand ?? {}).filter(({ substance }) => substance === materialId);
    return {
      litres: found.reduce((sum, { measure, amount }) => sum + (measure === 'volume' ? amount : 0), 0),
      kg: found.reduce((sum, { measure, amount }) => sum + (measure === 'mass' ? amount / 1000 : 0), 0),
    };
  }
}

function edgeMean({ top }: Layer, edge: 'front' | 'back'): number {
  const from = edge === 'front' ? 0 : (top.rows - 1) * top.columns;
  const row = top.heightMm.slice(from, from + top.columns);
  return Math.round(row.reduce((sum, mm) => sum + mm, 0) / row.length);
}
