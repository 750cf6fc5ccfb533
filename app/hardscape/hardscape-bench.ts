import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { nameOf } from '../../core/assessment/wording';
import { pieceName } from '../../core/assessment/wording/words';
import type { PieceClass } from '../../core/catalogue/piece';
import { compositionNotes, type CompositionNote } from '../../core/hardscape/composition';
import { bodyL, massOf } from '../../core/hardscape/mass';
import type { Fixing, HardscapeItem } from '../../core/hardscape/model';
import { sinksAfterWeeks } from '../../core/hardscape/waterlogging';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { shelterOf } from '../section/shelter-shade';
import { Section } from '../section/section';
import { turnPatch } from '../section/piece-moves';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import { ChoiceField } from '../ui/choice';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { addPiece, copyPiece, freshPieceId, groupPieces, removePiece, setPart, ungroup } from './piece-edits';
import { AddFrom } from '../ui/add-from';
import { SelectField } from '../ui/select';

const GROUP_WORD: Readonly<Record<PieceClass['group'], string>> = {
  stone: 'Stone',
  wood: 'Wood',
  cave: 'Caves',
  shell: 'Shells',
  litter: 'Litter',
  wall: 'Backs and cladding',
  fitting: 'Fittings',
};

const NOTE_WORD: Readonly<Record<CompositionNote, string>> = {
  'odd-count': 'An odd number of pieces.',
  'even-count': 'An even number of pieces: an odd one sits more easily.',
  dominant: 'One piece leads.',
  'no-dominant': 'No piece leads: let one be clearly the largest.',
  thirds: 'It stands at a third of the length.',
  'dominant-centred': 'The largest stands in the middle: a third of the length is livelier.',
  symmetric: 'The halves mirror each other.',
  'few-materials': 'Few kinds of material.',
  'many-materials': 'Many kinds of material: two at most look of one place.',
  'one-size': 'All of a size: mix large, middling and small.',
  'strikes-agree': 'Their strata run in one direction.',
  'strikes-differ': 'They strike every way: layers of rock lie at one angle.',
};

/** Stone, wood, caves and shells, where they stand and what they do there. */
@Component({
  selector: 'tr-hardscape-bench',
  imports: [AddFrom, SelectField, ChoiceField, Check, LatinText, QuantityField, Section],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hardscape-bench.html',
  styleUrls: ['../ui/scene-bench.less', './hardscape-bench.less'],
})
export class HardscapeBench {
  protected readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design()?.vessel);
  protected readonly drawing = signal<'section' | 'plan' | 'both'>('section');
  protected readonly shade = signal<'plain' | 'shelter'>('plain');
  protected readonly selected = signal<string | null>(null);
  /** Pieces picked beside the one in hand, to be grouped with it. */
  protected readonly with = signal<readonly string[]>([]);
  protected readonly drawings = [
    { value: 'section' as const, text: 'Section' },
    { value: 'plan' as const, text: 'Plan' },
    { value: 'both' as const, text: 'Both' },
  ];
  protected readonly shades = [
    { value: 'plain' as const, text: 'Plain' },
    { value: 'shelter' as const, text: 'Shelter' },
  ];
  protected readonly stands: { value: HardscapeItem['stand']; text: string }[] = [
    { value: 'bed', text: 'On the bed' },
    { value: 'floor', text: 'On the bottom' },
    { value: 'pieces', text: 'On what is under it' },
    { value: 'held', text: 'Held' },
  ];
  protected readonly fixings: { value: Fixing; text: string }[] = [
    { value: 'none', text: 'Loose' },
    { value: 'weighted', text: 'Weighted' },
    { value: 'screwed', text: 'Screwed' },
    { value: 'glued', text: 'Glued' },
  ];
  protected readonly edges = [
    { value: null, text: 'Not looked at' },
    { value: 'ground' as const, text: 'Ground smooth' },
    { value: 'raw' as const, text: 'Raw' },
  ];

  /** As it is told: what stands beside the drawing follows a dragging hand a few times a second. */
  protected readonly standing = computed(() => this.tank.told()?.derived['scene.pieces'].value ?? []);

  protected readonly summary = computed(() => {
    const catalogue = this.tank.catalogue();
    const taken = this.tank.told()?.derived['scene.occupancy'].value;
    const pieces = this.standing();
    if (!catalogue || !taken || pieces.length === 0) return null;
    const kg = pieces.reduce((sum, piece) => sum + (massOf(piece, catalogue)?.kg ?? 0), 0);
    return {
      count: `${pieces.length} piece${pieces.length === 1 ? '' : 's'}`,
      kg: formatQuantity('mass', kg * 1000, this.units()),
      litres: formatQuantity('volume', taken.inWaterL, this.units()),
    };
  });

  protected readonly classes = computed(() => {
    const all = [...(this.tank.catalogue()?.pieces.values() ?? [])];
    return Object.entries(GROUP_WORD).flatMap(([key, group]) =>
      all.filter((one) => one.group === key).map(({ id, name }) => ({ value: id, text: name, group })),
    );
  });

  protected readonly list = computed(() => {
    const world = this.tank.told()?.world;
    return world
      ? this.standing().map(({ id, item }) => ({
          value: id,
          text: `${pieceName(id, world)}${item.locked ? ' (locked)' : ''}${item.groupId !== null ? ' (in a group)' : ''}`,
        }))
      : [];
  });

  /** The piece in hand, its fields and what is known of it. */
  protected readonly piece = computed(() => {
    const id = this.selected();
    const found = this.standing().find((one) => one.id === id);
    const catalogue = this.tank.catalogue();
    const world = this.tank.told()?.world;
    if (!found || !catalogue || !world) return null;
    const units = this.units();
    const mass = massOf(found, catalogue);
    const material = found.item.materialId === null ? undefined : catalogue.materials.get(found.item.materialId);
    const weeks = material?.use === 'wood' && mass && mass.kgPerL < 1 ? sinksAfterWeeks(mass.dryKgPerL) : undefined;
    const { bounds } = found.settled;
    return {
      id: found.id,
      name: pieceName(found.id, world),
      item: found.item,
      of: found.of,
      materials: found.of.materialIds
        .flatMap((one) => catalogue.materials.get(one) ?? [])
        .map(({ id: value, name: text }) => ({ value, text })),
      volume: formatQuantity('volume', bodyL(found), units),
      kg: mass ? formatQuantity('mass', mass.kg * 1000, units) : 'not known',
      top: formatQuantity('length', bounds.high[2], units),
      effect: material
        ? material.action.kind === 'none'
          ? 'leaves the water as it is'
          : material.action.kind === 'dissolves'
            ? 'gives off lime'
            : material.action.kind === 'leaches'
              ? 'gives off tint and humic acids'
              : 'takes up lime'
        : 'effect on the water not known',
      isWood: material?.use === 'wood',
      wears: material?.action.kind === 'leaches',
      sinks:
        weeks === undefined ? null : weeks === null ? 'does not sink by itself' : `sinks by itself after about ${Math.ceil(weeks)} weeks`,
      tip:
        found.settled.support.tipDegrees < 90
          ? `goes over at a tilt of ${Math.max(0, Math.round(found.settled.support.tipDegrees))}°`
          : 'stands fast',
      sheetArea:
        found.of.group === 'wall' ? `${rounded((found.item.sizeMm[0] * found.item.sizeMm[2]) / 1e6, 2, this.units())} m² to buy` : null,
      mouths: (this.tank.told()?.derived['hardscape.refuges'].value ?? []).find((one) => one.pieceId === found.id)?.mouths ?? [],
    };
  });

  protected readonly shelter = computed(() => {
    const assessment = this.tank.told();
    const found = assessment && shelterOf(assessment);
    if (!assessment || !found) return null;
    const units = this.units();
    return {
      who: nameOf(found.member.id, assessment),
      hides: found.hides.length,
      near: `${Math.round(found.nearShare * 100)} %`,
      furthest: found.hides.length > 0 ? formatQuantity('length', found.furthestMm, units) : null,
    };
  });

  protected readonly room = computed(() => {
    const open = this.tank.told()?.derived['hardscape.room'].value;
    const percent = (share: number) => `${Math.round(share * 100)} %`;
    return open ? { bottom: percent(open.bottom), middle: percent(open.middle), top: percent(open.top) } : null;
  });

  protected readonly contrasts = computed(() => {
    const assessment = this.tank.told();
    if (!assessment) return [];
    return assessment.findings
      .filter(({ code }) => code === 'hardscape.contrast')
      .map((finding) => ({
        key: finding.key,
        who: nameOf(finding.subjects[0] ?? '', assessment),
        ground: (finding.note ?? '').toLowerCase(),
        difference: Math.round(finding.values['difference']?.value ?? 0),
        severity: finding.severity,
      }));
  });

  protected readonly notes = computed(() => {
    const vessel = this.tank.design()?.vessel;
    if (!vessel) return null;
    const stones = this.standing().filter(({ of }) => of.group === 'stone' || of.group === 'wood');
    const { good, odd } = compositionNotes(
      stones.map((piece) => ({
        volumeL: bodyL(piece),
        across: piece.item.positionMm[0] / vessel.lengthMm,
        strikeDeg: piece.of.form === 'rounded' || piece.of.form === 'pile' ? null : piece.item.turnDeg[2],
        materialId: piece.item.materialId,
      })),
    );
    return stones.length < 2 ? null : { good: good.map((note) => NOTE_WORD[note]), odd: odd.map((note) => NOTE_WORD[note]) };
  });

  protected choose(id: string | null): void {
    if (id !== this.selected()) this.with.set([]);
    this.selected.set(id);
  }

  protected add(classId: string): void {
    const design = this.tank.design();
    const of = this.tank.catalogue()?.pieces.get(classId);
    if (!design || !of) return;
    const id = freshPieceId(design);
    if (this.store.edit(`Put in a ${of.name.toLowerCase()}`, addPiece(design, of, id))) this.selected.set(id);
  }

  protected set<K extends keyof HardscapeItem>(part: K, value: HardscapeItem[K], label: string): void {
    const id = this.selected();
    if (id) this.store.edit(label, setPart(id, part, value));
  }

  protected setSize(axis: 0 | 1 | 2, mm: number | null): void {
    const item = this.piece()?.item;
    if (!item || mm === null) return;
    const value: [number, number, number] = [...item.sizeMm];
    value[axis] = mm;
    this.set('sizeMm', value, 'Size of a piece');
  }

  protected setPlace(axis: 0 | 1 | 2, mm: number | null): void {
    const item = this.piece()?.item;
    if (!item || mm === null) return;
    const value: [number, number, number] = [...item.positionMm];
    value[axis] = mm;
    this.set('positionMm', value, 'Place of a piece');
  }

  protected setTurn(axis: 0 | 1 | 2, degrees: number | null): void {
    const item = this.piece()?.item;
    if (!item || degrees === null) return;
    const value: [number, number, number] = [...item.turnDeg];
    value[axis] = degrees;
    this.set('turnDeg', value, 'Turn a piece');
  }

  protected turn(by: number): void {
    const design = this.tank.design();
    const id = this.selected();
    if (design && id) this.store.edit('Turn a piece', turnPatch(design, id, by));
  }

  protected copy(mirrored: boolean): void {
    const design = this.tank.design();
    const id = this.selected();
    if (!design || !id) return;
    const made = copyPiece(design, id, mirrored);
    if (this.store.edit(mirrored ? 'Mirror a piece' : 'Copy a piece', made.patch)) this.selected.set(made.id);
  }

  protected toggleWith(id: string): void {
    this.with.update((ids) => (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]));
  }

  protected group(): void {
    const design = this.tank.design();
    const id = this.selected();
    if (!design || !id || this.with().length === 0) return;
    this.store.edit('Group pieces', groupPieces(design, [id, ...this.with()]));
    this.with.set([]);
  }

  protected ungroup(): void {
    const design = this.tank.design();
    const id = this.selected();
    if (design && id) this.store.edit('Ungroup pieces', ungroup(design, id));
  }

  protected remove(id: string): void {
    const design = this.tank.design();
    if (this.locked() || !design) return;
    this.store.edit('Take a piece out', removePiece(design, id));
    this.selected.set(null);
  }
}
