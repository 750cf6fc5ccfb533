import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { TankFigure } from '../section/figure';

const VIEW = { width: 196, height: 92, pad: 4 };

let figures = 0;

/** A tank in small, to its own scale: enough to know it by. */
@Component({
  selector: 'tr-tank-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg aria-hidden="true" [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height">
      @if (figure(); as f) {
        <g [attr.transform]="place()">
          <path class="water" [attr.d]="f.water" [attr.fill]="f.tint" />
          @for (part of f.pieces; track $index) {
            <path class="piece" [attr.fill]="part.fill" [attr.d]="part.path" />
          }
          @for (part of f.ground; track $index) {
            <path [attr.fill]="part.fill" [attr.d]="part.path" />
          }
          <clipPath [attr.id]="key"><path [attr.d]="'M0 0H' + f.lengthMm + 'V' + -2 * f.heightMm + 'H0Z'" /></clipPath>
          <g [attr.clip-path]="'url(#' + key + ')'">
            @for (plant of f.plants; track $index) {
              <path
                class="plant"
                [class.leafy]="plant.leafy"
                [attr.transform]="'translate(' + plant.xMm + ' ' + -plant.zMm + ') scale(1 -1)'"
                [attr.d]="plant.path"
                [style.fill]="plant.leafy ? plant.leaf : null"
                [style.stroke]="plant.leafy ? null : plant.leaf"
              />
            }
          </g>
          @for (animal of f.animals; track $index) {
            <path
              class="animal"
              [attr.fill]="animal.fill"
              [attr.transform]="'translate(' + animal.xMm + ' ' + -animal.zMm + ') scale(' + animal.scaleX + ' 1)'"
              [attr.d]="animal.path"
            />
          }
          <path class="glass" [attr.d]="f.vessel" [attr.stroke-width]="1.6 / scale()" />
        </g>
      } @else {
        <rect class="none" x="4" y="4" [attr.width]="view.width - 8" [attr.height]="view.height - 8" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    .water {
      opacity: 0.42;
    }
    .plant {
      fill: none;
      stroke: #4d7a4a;
      stroke-width: 5;
    }
    .plant.leafy {
      fill: #5d8a55;
      stroke-width: 1;
    }
    .animal {
      fill-rule: evenodd;
      stroke: none;
    }
    .piece {
      stroke: #25231d;
      stroke-opacity: 0.5;
      stroke-width: 2;
    }
    .glass {
      fill: none;
      stroke: var(--glass);
    }
    .none {
      fill: none;
      stroke: var(--edge);
      stroke-dasharray: 4 4;
    }
  `,
})
export class TankFigureDrawing {
  protected readonly key = `tank-figure-${++figures}`;
  readonly figure = input.required<TankFigure | null>();
  protected readonly view = VIEW;
  protected readonly scale = computed(() => {
    const f = this.figure();
    return f ? Math.min((VIEW.width - 2 * VIEW.pad) / f.lengthMm, (VIEW.height - 2 * VIEW.pad) / f.heightMm) : 1;
  });
  protected readonly place = computed(() => {
    const f = this.figure();
    const x = f ? (VIEW.width - f.lengthMm * this.scale()) / 2 : 0;
    return `translate(${x} ${VIEW.height - VIEW.pad}) scale(${this.scale()})`;
  });
}
