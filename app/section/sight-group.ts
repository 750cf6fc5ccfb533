import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SightMap } from '../../core/assessment/sight-map';
import { OPEN_SHARE } from '../../core/scene/sight';

/** Territories and lines of sight from above, in millimetres of the tank: an open line is drawn through, a broken one is dotted and pale. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[trSight]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (map(); as m) {
      <svg:clipPath id="sight-floor">
        <svg:rect x="0" [attr.y]="-floorMm()[1]" [attr.width]="floorMm()[0]" [attr.height]="floorMm()[1]" />
      </svg:clipPath>
      @for (ring of rings(); track $index) {
        <svg:circle
          class="ground"
          clip-path="url(#sight-floor)"
          [attr.cx]="ring[0]"
          [attr.cy]="-ring[1]"
          [attr.r]="m.radiusMm"
          [attr.stroke-width]="1 / scale()"
        />
      }
      @for (line of lines(); track $index) {
        <svg:path
          [class]="m.together ? 'own' : line.open ? 'open' : 'broken'"
          [attr.d]="line.d"
          [attr.stroke-width]="(line.open && !m.together ? 2.4 : 1.2) / scale()"
          [attr.stroke-dasharray]="line.open ? null : 2 / scale() + ' ' + 4 / scale()"
        />
      }
      @for (site of m.sites; track site.id) {
        <svg:circle class="site" [attr.cx]="site.atMm[0]" [attr.cy]="-site.atMm[1]" [attr.r]="4 / scale()" />
      }
      @if (m.partAtMm; as at) {
        <svg:path class="part" [attr.stroke-width]="2 / scale()" [attr.d]="cross(at)" />
      }
    }
  `,
  styles: `
    :host {
      /* the bed is as light by night as by day */
      --over-bed: #221f1a;
      pointer-events: none;
    }
    .ground {
      fill: none;
      stroke: var(--over-bed);
      stroke-opacity: 0.28;
    }
    .open {
      fill: none;
      stroke: #9c3326;
    }
    .broken,
    .own {
      fill: none;
      stroke: var(--over-bed);
      stroke-opacity: 0.5;
    }
    .site {
      fill: var(--over-bed);
    }
    .part {
      fill: none;
      stroke: var(--over-bed);
    }
  `,
})
export class SightGroup {
  readonly map = input.required<SightMap | null>();
  /** Pixels to a millimetre. */
  readonly scale = input.required<number>();

  /** The tank's length and width, to stay within. */
  readonly floorMm = input.required<readonly [number, number]>();

  /** Middle of each ground: of every hide, or of a colony's hides together. */
  protected readonly rings = computed((): readonly (readonly [number, number])[] => {
    const map = this.map();
    const places = (map?.sites ?? []).map(({ atMm }) => atMm);
    if (!map?.together || places.length === 0) return places;
    const middle = (axis: 0 | 1) => places.reduce((sum, at) => sum + at[axis], 0) / places.length;
    return [[middle(0), middle(1)]];
  });

  protected readonly lines = computed(() =>
    (this.map()?.lines ?? []).map(({ from, to, share }) => ({
      open: share > OPEN_SHARE,
      d: `M${from[0]} ${-from[1]}L${to[0]} ${-to[1]}`,
    })),
  );

  protected cross([x, y]: readonly [number, number]): string {
    const r = 7 / this.scale();
    return `M${x - r} ${-y}h${2 * r}M${x} ${-y - r}v${2 * r}`;
  }
}
