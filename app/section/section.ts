import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal, viewChild } from '@angular/core';
import { ticks } from 'd3-array';
import { plain, wordFinding } from '../../core/assessment/wording';
import { formatQuantity, fromChosen, inChosenUnit } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { TankView } from '../store/tank-view';
import { drawAnimals, drawPlants } from './section-geometry';

const VIEW = { width: 760, height: 400, left: 40, right: 24, top: 26, bottom: 34 };

/** The tank from the front, to scale, with a ruler: a result of the computation. The water line can be dragged. */
@Component({
  selector: 'tr-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './section.html',
  styleUrl: './section.less',
})
export class Section {
  private readonly view = inject(TankView);
  private readonly store = inject(TankStore);
  private readonly units = inject(PreferencesStore).units;
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  /** Water level under the finger; the design changes when it is let go. */
  protected readonly dragged = signal<number | null>(null);
  protected readonly size = VIEW;
  protected readonly vessel = computed(() => this.view.design()?.vessel ?? null);
  protected readonly readOnly = this.view.readOnly;

  protected readonly frame = computed(() => {
    const vessel = this.vessel();
    if (!vessel) return null;
    const scale = Math.min(
      (VIEW.width - VIEW.left - VIEW.right) / vessel.lengthMm,
      (VIEW.height - VIEW.top - VIEW.bottom) / vessel.heightMm,
    );
    const width = vessel.lengthMm * scale;
    const height = vessel.heightMm * scale;
    const x0 = VIEW.left + (VIEW.width - VIEW.left - VIEW.right - width) / 2;
    const y0 = VIEW.height - VIEW.bottom;
    return { scale, width, height, x0, y0, top: y0 - height };
  });

  protected readonly waterMm = computed(() => this.dragged() ?? this.vessel()?.waterLevelMm ?? 0);
  protected readonly surfaceY = computed(() => (this.frame()?.y0 ?? 0) - this.waterMm() * (this.frame()?.scale ?? 1));
  protected readonly levelText = computed(() => formatQuantity('length', this.waterMm(), this.units()));

  protected readonly tint = computed(() => {
    const id = this.view.design()?.brief.biotopeId;
    return (id && this.view.catalogue()?.biotopes.get(id)?.waterColour) || '#9cc7cf';
  });

  protected readonly animals = computed(() => {
    const vessel = this.vessel();
    return vessel ? drawAnimals(this.view.members(), vessel.lengthMm, this.waterMm()) : [];
  });

  protected readonly plants = computed(() => {
    const design = this.view.design();
    const catalogue = this.view.catalogue();
    return design?.vessel && catalogue ? drawPlants(design, catalogue, this.waterMm()) : [];
  });

  protected readonly rulers = computed(() => {
    const vessel = this.vessel();
    const frame = this.frame();
    if (!vessel || !frame) return null;
    const units = { ...this.units(), length: this.units().length === 'in' ? ('in' as const) : ('cm' as const) };
    const marks = (mm: number, count: number) =>
      ticks(0, inChosenUnit('length', mm, units), count).map((value) => ({ value, px: fromChosen('length', value, units) * frame.scale }));
    return { unit: units.length, across: marks(vessel.lengthMm, 7), up: marks(vessel.heightMm, 4), fine: marks(vessel.lengthMm, 40) };
  });

  /** Findings that have a place in the drawing. */
  protected readonly callouts = computed(() => {
    const assessment = this.view.assessment();
    const frame = this.frame();
    if (!assessment || !frame) return [];
    const seen = new Set<string>();
    return this.view.open().flatMap((finding) => {
      const place = finding.code === 'vessel.lid' ? 'lid' : finding.code === 'vessel.footprint' ? 'floor' : null;
      if (!place || (finding.severity !== 'conflict' && finding.severity !== 'watch') || seen.has(place)) return [];
      seen.add(place);
      const text = plain(wordFinding(finding, assessment, this.units()).title);
      return [
        {
          key: finding.key,
          severity: finding.severity,
          text,
          x: frame.x0 + frame.width * 0.5,
          y: place === 'lid' ? frame.top : frame.y0,
          labelY: place === 'lid' ? frame.top - 9 : frame.y0 - 12,
        },
      ];
    });
  });

  protected readonly covered = computed(() => this.vessel()?.lid.value ?? null);

  protected readonly description = computed(() => {
    const vessel = this.vessel();
    if (!vessel) return '';
    const drawn = this.view.members().map(({ count, organism, organismId }) => `${count} ${organism?.latin ?? organismId}`);
    return `Front view to scale: box ${formatQuantity('length', vessel.lengthMm, this.units())} long, ${formatQuantity('length', vessel.heightMm, this.units())} high, water ${this.levelText()} deep. ${drawn.length > 0 ? `In it: ${drawn.join(', ')}.` : 'Nothing lives in it yet.'}`;
  });

  protected grab(event: PointerEvent): void {
    if (this.readOnly()) return;
    (event.target as Element).setPointerCapture(event.pointerId);
    this.dragged.set(this.waterMm());
  }

  protected drag(event: PointerEvent): void {
    const frame = this.frame();
    const svg = this.svg()?.nativeElement;
    if (this.dragged() === null || !frame || !svg) return;
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse());
    this.dragged.set(this.clamp((frame.y0 - point.y) / frame.scale));
  }

  protected drop(): void {
    const level = this.dragged();
    this.dragged.set(null);
    if (level !== null) this.setLevel(level);
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
