import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { ticks } from 'd3-array';
import { plain, wordFinding } from '../../core/assessment/wording';
import { wordDrawing } from '../../core/assessment/wording/drawing';
import { formatQuantity, fromChosen, inChosenUnit } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import type { Finding } from '../../core/calculation/finding';
import { inOrder } from '../../core/design/design';
import { Stratum } from '../../core/catalogue/organism';
import type { Vessel } from '../../core/vessel/model';
import { halfLengthAtMm } from '../../core/vessel/shape';
import { animalOf } from '../../core/assessment/derive';
import { Why } from '../store/why';
import { drawAnimals, floorPath, vesselPath, waterPath } from './section-geometry';
import { BuiltGroup } from './built-group';
import { PlantedGroup } from './planted-group';
import { waterTint } from './figure';
import type { DrawingView } from './outline';
import type { Assessment } from '../../core/assessment/assess';
import type { LightMap } from '../../core/assessment/light-map';
import { dabbed, type Dab } from './brush';
import type { CurrentMap } from '../../core/assessment/current-map';
import { currentPicture } from './current-shade';
import { GearGroup } from './gear-group';
import { SightGroup } from './sight-group';
import type { SightMap } from '../../core/assessment/sight-map';
import { lightPicture } from './light-shade';
import { shelterOf, shelterPicture } from './shelter-shade';

/** Most findings tied to their place on a bench of built things. */
const MOST_TIES = 4;
/** Most marks of findings on the drawing; the ledger has them all. */
const MOST_MARKS = 10;

/** Room for the legend of the bed under the ruler. */
const LEGEND_PX = 24;
const VIEW = { width: 760, height: 400, left: 40, right: 24, top: 26, bottom: 34 };
/** On a narrow screen the drawing is drawn smaller, not its words. */
const NARROW = { ...VIEW, width: 400, height: 300, right: 20 };
const NARROW_BELOW_PX = 520;

let drawings = 0;

/** The tank from the front, to scale, with a ruler: a result of the computation. The water line can be dragged. */
@Component({
  selector: 'tr-section',
  imports: [BuiltGroup, GearGroup, PlantedGroup, NgTemplateOutlet, SightGroup],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './section.html',
  styleUrl: './section.less',
})
export class Section {
  /** Shows the strata, and who uses them. */
  readonly strata = input(false);
  /** From the front, or from above. */
  readonly view = input<DrawingView>('section');
  /** The floor from above in a corner, for forms that the front view does not tell from a box. */
  readonly inset = input(true);
  /** Pieces take the hand instead of the water line. */
  readonly editing = input(false);
  /** Gear takes the hand. */
  readonly gearing = input(false);
  /** Plantings take the hand. */
  readonly planting = input(false);
  readonly selected = input<string | null>(null);
  readonly chosen = output<string | null>();
  readonly taken = output<string>();
  /** A brush is in hand: a press on the drawing says where. */
  readonly pointing = input(false);
  /** How far apart a brush sets what it is drawn over with, millimetres. */
  readonly apartMm = input(60);
  /** From the left and from the front, millimetres; from the front view at the depth of the middle. */
  readonly pointedAt = output<Dab>();
  /** Drawn over from one place to another. */
  readonly painted = output<readonly Dab[]>();
  protected readonly dabs = signal<readonly Dab[]>([]);
  /** What is laid over the water: nothing, how near the next hide is, how much light there is, or how fast it goes. */
  readonly shade = input<'plain' | 'shelter' | 'light' | 'current'>('plain');
  readonly light = input<LightMap | null>(null);
  readonly current = input<CurrentMap | null>(null);
  /** Territories and who sees whom, from above. */
  readonly sight = input<SightMap | null>(null);
  private readonly tank = inject(TankView);
  private readonly why = inject(Why);
  private readonly store = inject(TankSession);
  private readonly preferences = inject(PreferencesStore);
  private readonly units = this.preferences.units;
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  /** Water level under the finger; the design changes when it is let go. */
  protected readonly dragged = signal<number | null>(null);
  private readonly hostWidth = signal(VIEW.width);
  protected readonly size = computed(() => {
    const size = this.hostWidth() < NARROW_BELOW_PX ? NARROW : VIEW;
    return this.legend().length > 0 ? { ...size, height: size.height + LEGEND_PX, bottom: size.bottom + LEGEND_PX } : size;
  });
  private readonly narrow = computed(() => this.hostWidth() < NARROW_BELOW_PX);

  /** Layers of the bed by name, drawn with the section where there is a bench for them. */
  protected readonly legend = computed(() => {
    const bed = this.tank.told()?.derived['substrate.bed'].value;
    if (this.inset() || !bed || this.view() !== 'section') return [];
    const each = (this.narrow() ? NARROW : VIEW).width / Math.max(1, bed.layers.length);
    return [...bed.layers].reverse().map((layer, i) => ({
      id: layer.id,
      colour: layer.material?.colour ?? '#9b9484',
      name: shortened(`${layer.material?.name ?? layer.materialId} ${formatQuantity('volume', layer.litres, this.units())}`, each / 7.2),
      x: 8 + i * Math.min(each, 230),
    }));
  });

  /** How near the drawing is looked at, and where. */
  protected readonly zoom = signal(1);
  private readonly centre = signal<readonly [number, number] | null>(null);
  private panning: { pointerId: number; x: number; y: number } | null = null;
  protected readonly viewBox = computed(() => {
    const { width, height } = this.size();
    const zoom = this.zoom();
    const [cx, cy] = this.centre() ?? [width / 2, height / 2];
    const [w, h] = [width / zoom, height / zoom];
    const x = Math.min(Math.max(0, cx - w / 2), width - w);
    const y = Math.min(Math.max(0, cy - h / 2), height - h);
    return `${x.toFixed(1)} ${y.toFixed(1)} ${w.toFixed(1)} ${h.toFixed(1)}`;
  });

  protected zoomBy(factor: number): void {
    const to = Math.min(6, Math.max(1, this.zoom() * factor));
    this.zoom.set(to < 1.05 ? 1 : to);
    if (to < 1.05) this.centre.set(null);
  }

  protected wheel(event: WheelEvent): void {
    // a plain wheel scrolls the bench
    if (this.inset() || !event.ctrlKey) return;
    event.preventDefault();
    const at = this.pointOf(event);
    if (at && event.deltaY < 0) this.centre.set([at.x, at.y]);
    this.zoomBy(event.deltaY < 0 ? 1.25 : 0.8);
  }

  /** A press is one place, a stroke is all the places that it went over. */
  protected brushFrom(event: PointerEvent): void {
    const at = this.placeOf(event);
    if (!this.pointing()) return this.panFrom(event);
    if (!at) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.dabs.set([at]);
  }

  protected brushOver(event: PointerEvent): void {
    const at = this.dabs().length > 0 ? this.placeOf(event) : null;
    if (at) this.dabs.set(dabbed(this.dabs(), at, this.apartMm()));
    else this.pan(event);
  }

  protected brushEnd(): void {
    this.panEnd();
    const dabs = this.dabs();
    this.dabs.set([]);
    if (dabs.length === 1) this.pointedAt.emit(dabs[0]!);
    else if (dabs.length > 1) this.painted.emit(dabs);
  }

  /** The brush is lifted without having set anything. */
  protected brushOff(): void {
    this.panEnd();
    this.dabs.set([]);
  }

  private placeOf(event: MouseEvent): Dab | null {
    const frame = this.frame();
    const at = this.pointOf(event);
    const vessel = this.vessel();
    if (!frame || !at || !vessel) return null;
    const [x, up] = [(at.x - frame.x0) / frame.scale, (frame.y0 - at.y) / frame.scale];
    if (x < 0 || x > vessel.lengthMm || up < 0 || up > (this.section() ? vessel.heightMm : vessel.widthMm)) return null;
    return [x, this.section() ? vessel.widthMm / 2 : up];
  }

  /** The empty drawing is pulled about once it is larger than its frame. */
  private panFrom(event: PointerEvent): void {
    if (this.zoom() === 1) return;
    this.panning = { pointerId: event.pointerId, x: event.clientX, y: event.clientY };
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  private pan(event: PointerEvent): void {
    const { panning } = this;
    const box = this.svg()?.nativeElement.getBoundingClientRect();
    if (panning?.pointerId !== event.pointerId || !box) return;
    const { width, height } = this.size();
    const perPx = width / this.zoom() / box.width;
    const [cx, cy] = this.centre() ?? [width / 2, height / 2];
    const keep = (value: number, all: number) => Math.min(Math.max(value, all / this.zoom() / 2), all - all / this.zoom() / 2);
    this.centre.set([keep(cx - (event.clientX - panning.x) * perPx, width), keep(cy - (event.clientY - panning.y) * perPx, height)]);
    this.panning = { ...panning, x: event.clientX, y: event.clientY };
  }

  private panEnd(): void {
    this.panning = null;
  }

  private pointOf(event: MouseEvent): DOMPoint | null {
    const svg = this.svg()?.nativeElement;
    return svg ? new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse()) : null;
  }

  protected readonly section = computed(() => this.view() === 'section');
  protected readonly vessel = computed(() => this.tank.design()?.vessel ?? null);
  protected readonly readOnly = this.tank.readOnly;

  protected readonly frame = computed(() => {
    const vessel = this.vessel();
    if (!vessel) return null;
    const view = this.size();
    // the plan of other forms than a box stands at the right, clear of the front view
    const across = view.width - view.left - view.right - (isRectangular(vessel) || !this.section() || !this.inset() ? 0 : 84);
    const tall = this.section() ? vessel.heightMm : vessel.widthMm;
    const scale = Math.min(across / vessel.lengthMm, (view.height - view.top - view.bottom) / tall);
    const width = vessel.lengthMm * scale;
    const height = tall * scale;
    const x0 = view.left + (across - width) / 2;
    const y0 = view.height - view.bottom;
    return { scale, width, height, x0, y0, top: y0 - height };
  });

  protected readonly waterMm = computed(() => this.dragged() ?? this.vessel()?.waterLevelMm ?? 0);
  protected readonly surfaceY = computed(() => (this.frame()?.y0 ?? 0) - this.waterMm() * (this.frame()?.scale ?? 1));
  protected readonly levelText = computed(() => formatQuantity('length', this.waterMm(), this.units()));

  protected readonly tint = computed(() => waterTint(this.tank.derived()?.['water.colour'].value ?? null));

  protected readonly animals = computed(() => {
    const vessel = this.vessel();
    const derived = this.tank.derived();
    return vessel && this.section()
      ? drawAnimals(
          this.tank.members(),
          vessel,
          this.waterMm(),
          derived?.['substrate.bed'].value?.topMm.most ?? 0,
          derived?.['scene.ground'].value ?? null,
        )
      : [];
  });

  protected readonly floorOutline = computed(() => {
    const vessel = this.vessel();
    return vessel ? floorPath(vessel) : '';
  });

  /** How near the next hide is, or how light it is, laid over the water. */
  protected readonly overlay = computed(() => {
    const assessment = this.tank.told();
    const vessel = this.vessel();
    if (!assessment || !vessel) return null;
    const heightMm = this.section() ? vessel.waterLevelMm : vessel.widthMm;
    const href = this.overlaid(assessment, vessel);
    return href ? { href, heightMm } : null;
  });

  private overlaid(assessment: Assessment, vessel: Vessel): string | null {
    switch (this.shade()) {
      case 'shelter': {
        const shelter = shelterOf(assessment);
        return shelter && shelterPicture(shelter, vessel, this.view());
      }
      case 'light': {
        const map = this.light();
        return map && lightPicture(map, this.preferences.theme());
      }
      case 'current': {
        const map = this.current();
        return map && currentPicture(map, this.preferences.theme());
      }
      case 'plain':
        return null;
    }
  }

  /** Findings that have a place among bed and pieces, tied to it. */
  protected readonly ties = computed(() => {
    const assessment = this.tank.told();
    const frame = this.frame();
    if (!assessment || !frame || this.inset()) return [];
    return this.pressing()
      .filter(({ at, code }) => at && (!this.gearing() || code.startsWith('gear.') || code === 'hardscape.reach'))
      .slice(0, this.narrow() ? 2 : MOST_TIES)
      .map((finding, i) => {
        const [x, y, z] = finding.at!;
        const px = frame.x0 + x * frame.scale;
        const title = plain(wordFinding(finding, assessment, this.units()).title);
        const text = title.length > 44 ? `${title.slice(0, 42)} …` : title;
        const half = text.length * 3.75;
        return {
          key: finding.key,
          severity: finding.severity,
          text,
          x: px,
          y: frame.y0 - (this.section() ? z : y) * frame.scale,
          labelX: Math.min(Math.max(px, half + 2), this.size().width - half - 2),
          labelY: frame.top + 18 + i * 19,
        };
      });
  });

  protected readonly walls = computed(() => {
    const vessel = this.vessel();
    return vessel && { vessel: vesselPath(vessel), water: waterPath(vessel, this.waterMm()) };
  });

  /** Half the opening at the top and at the surface, px. */
  protected readonly spans = computed(() => {
    const vessel = this.vessel();
    const frame = this.frame();
    if (!vessel || !frame) return null;
    const middle = frame.x0 + frame.width / 2;
    const half = (mm: number) => halfLengthAtMm(vessel, mm) * frame.scale;
    return { middle, top: half(vessel.heightMm), surface: half(this.waterMm()) };
  });

  protected readonly braces = computed(() => {
    const frame = this.frame();
    return frame && this.section()
      ? inOrder(this.vessel()?.braces ?? {}).map(([id, { atMm, widthMm }]) => ({
          id,
          x: frame.x0 + (atMm - widthMm / 2) * frame.scale,
          width: widthMm * frame.scale,
        }))
      : [];
  });

  /** Down to where it drains in a power cut. */
  protected readonly drainY = computed(() => {
    const [stop, frame] = [this.vessel()?.sump?.stopsAtMm, this.frame()];
    return stop === undefined || !frame || !this.section() || stop >= this.waterMm() ? null : frame.y0 - stop * frame.scale;
  });

  /** What floats to feed in. */
  protected readonly ring = computed(() => {
    const [ring, frame] = [this.tank.design()?.care.feedingRing, this.frame()];
    if (!ring || !frame || this.waterMm() <= 0) return null;
    const [x, y] = ring.atMm;
    return { x: frame.x0 + x * frame.scale, y: frame.y0 - y * frame.scale, half: (ring.diameterMm / 2) * frame.scale };
  });

  /** The floor from above, small, for forms that the front view does not tell from a box. */
  protected readonly plan = computed(() => {
    const vessel = this.vessel();
    if (!vessel || isRectangular(vessel) || !this.section() || !this.inset()) return null;
    const scale = 54 / Math.max(vessel.lengthMm, vessel.widthMm);
    return { path: floorPath(vessel), transform: `translate(${this.size().width - 66} 12) scale(${scale})`, stroke: 1.5 / scale };
  });

  protected readonly bands = computed(() => {
    const frame = this.frame();
    if (!this.strata() || !frame || !this.section()) return [];
    const members = this.tank.members();
    const edges = { bottom: [0, 0.25], middle: [0.25, 0.74], top: [0.74, 1] } as const;
    return Stratum.options.map((stratum) => {
      const here = members.filter((member) => animalOf(member)?.traits.strata.value?.includes(stratum));
      const [low, high] = edges[stratum];
      const y = (share: number) => frame.y0 - this.waterMm() * share * frame.scale;
      return {
        stratum,
        y: y(high),
        height: y(low) - y(high),
        middle: (y(low) + y(high)) / 2,
        text: `${stratum}: ${here.length === 0 ? 'nobody' : here.map(({ count, organism, organismId }) => `${count} ${(organism?.latin ?? organismId).split(' ').at(-1) ?? ''}`).join(', ')}`,
      };
    });
  });

  protected readonly rulers = computed(() => {
    const vessel = this.vessel();
    const frame = this.frame();
    if (!vessel || !frame) return null;
    const units = { ...this.units(), length: this.units().length === 'in' ? ('in' as const) : ('cm' as const) };
    const marks = (mm: number, count: number) =>
      ticks(0, inChosenUnit('length', mm, units), count).map((value) => ({ value, px: fromChosen('length', value, units) * frame.scale }));
    return {
      unit: units.length,
      across: marks(vessel.lengthMm, 7),
      up: marks(this.section() ? vessel.heightMm : vessel.widthMm, 4),
      fine: marks(vessel.lengthMm, 40),
    };
  });

  /** Findings about the top or the floor, in words; one of each. */
  protected readonly callouts = computed(() => {
    const assessment = this.tank.told();
    const frame = this.frame();
    if (!assessment || !frame || !this.section() || !this.inset()) return [];
    const seen = new Set<string>();
    return this.pressing().flatMap((finding) => {
      const place = placeOf(finding);
      if (!place || seen.has(place)) return [];
      seen.add(place);
      return [
        {
          key: finding.key,
          severity: finding.severity,
          text: plain(wordFinding(finding, assessment, this.units()).title),
          x: frame.x0 + frame.width * 0.5,
          y: place === 'top' ? frame.top : frame.y0,
          labelY: place === 'top' ? frame.top - 9 : frame.y0 - 12,
        },
      ];
    });
  });

  /** Findings about an animal, as a mark above the first of its kind; they open the reason. */
  protected readonly marks = computed(() => {
    const assessment = this.tank.told();
    const frame = this.frame();
    if (!assessment || !frame) return [];
    if (this.editing() || !this.inset()) return [];
    const drawn = new Map(this.animals().map((animal) => [animal.memberId, animal]));
    const perAnimal = new Map<string, number>();
    const marks: { key: string; severity: string; label: string; x: number; y: number }[] = [];
    for (const finding of this.pressing()) {
      if (marks.length === MOST_MARKS) break;
      const [subject = ''] = finding.subjects;
      const animal = placeOf(finding) ? undefined : drawn.get(subject);
      const nth = perAnimal.get(subject) ?? 0;
      if (!animal || nth > 2) continue;
      perAnimal.set(subject, nth + 1);
      marks.push({
        key: finding.key,
        severity: finding.severity,
        label: plain(wordFinding(finding, assessment, this.units()).title),
        x: frame.x0 + (animal.xMm + animal.lengthMm / 2) * frame.scale + nth * 15,
        y: Math.max(frame.top + 8, frame.y0 - (animal.zMm + 4) * frame.scale - 8),
      });
    }
    return marks;
  });

  private readonly pressing = computed(() => this.tank.open().filter(({ severity }) => severity === 'conflict' || severity === 'watch'));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const watcher = new ResizeObserver(([entry]) => entry && entry.contentRect.width > 0 && this.hostWidth.set(entry.contentRect.width));
    watcher.observe(host);
    inject(DestroyRef).onDestroy(() => watcher.disconnect());
  }

  /** The drawing itself, for files. */
  element(): SVGSVGElement | null {
    return this.svg()?.nativeElement ?? null;
  }

  protected openWhy(key: string, event: Event): void {
    event.preventDefault();
    this.why.finding(key);
  }

  protected readonly covered = computed(() => this.vessel()?.lid.value ?? null);

  /** The drawing for who does not see it. */
  protected readonly words = computed(() => {
    const assessment = this.tank.told();
    return assessment ? wordDrawing(assessment, this.view(), this.units()) : null;
  });
  protected readonly wordsId = `drawing-${++drawings}`;

  protected grab(event: PointerEvent): void {
    if (this.readOnly()) return;
    (event.target as Element).setPointerCapture(event.pointerId);
    this.dragged.set(this.waterMm());
  }

  protected drag(event: PointerEvent): void {
    const frame = this.frame();
    const point = this.pointOf(event);
    if (this.dragged() === null || !frame || !point) return;
    const value = this.clamp((frame.y0 - point.y) / frame.scale);
    this.dragged.set(value);
    this.gesture.show(() => ({ design: [{ op: 'replace', path: '/vessel/waterLevelMm', value }] }));
  }

  protected drop(): void {
    const level = this.dragged();
    this.letGo();
    if (level !== null) this.setLevel(level);
  }

  private readonly gesture = previewGesture(() => this.dragged.set(null));

  protected letGo(): void {
    this.dragged.set(null);
    this.gesture.end();
  }

  protected nudge(event: KeyboardEvent): void {
    const step = { ArrowUp: 5, ArrowDown: -5, PageUp: 50, PageDown: -50 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    this.setLevel(this.clamp(this.waterMm() + step));
  }

  private clamp(mm: number): number {
    return Math.round(Math.min(Math.max(mm, 20), this.vessel()?.heightMm ?? 20) / 5) * 5;
  }

  private setLevel(mm: number): void {
    const level = Math.min(mm, this.vessel()?.heightMm ?? mm);
    if (level !== this.vessel()?.waterLevelMm)
      this.store.edit('Water level', [{ op: 'replace', path: '/vessel/waterLevelMm', value: level }]);
  }
}

const shortened = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, Math.max(3, Math.floor(most) - 1))}…` : text;

const isRectangular = ({ shape }: Vessel): boolean => shape === 'box' || shape === 'cube';

/** Where in the drawing a finding has a place of its own. */
function placeOf({ code, kind }: Finding): 'top' | 'floor' | null {
  if (code === 'vessel.lid' || code === 'vessel.clearance' || code === 'vessel.gear-fit') return 'top';
  if (code === 'stocking.escape' && kind?.startsWith('lid')) return 'top';
  return code === 'vessel.footprint' || code === 'vessel.load' ? 'floor' : null;
}
