import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ringAt, USUAL_RING_MM } from '../../core/plants/feeding-ring';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';

/** A ring afloat that keeps a window open to feed in. */
@Component({
  selector: 'tr-feeding-ring',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (vessel(); as v) {
      @if (ring(); as r) {
        <section class="piece" data-control="ring" aria-labelledby="ring-heading">
          <h2 id="ring-heading">Feeding ring</h2>
          <div class="fields">
            <tr-quantity
              kind="length"
              label="Across"
              [limits]="[30, 600]"
              [value]="r.diameterMm"
              [disabled]="locked()"
              (quantity)="set({ diameterMm: $event, atMm: r.atMm })"
            />
            <tr-quantity
              kind="length"
              label="From the left"
              [limits]="[0, v.lengthMm]"
              [value]="r.atMm[0]"
              [disabled]="locked()"
              (quantity)="set({ diameterMm: r.diameterMm, atMm: [$event, r.atMm[1]] })"
            />
            <tr-quantity
              kind="length"
              label="From the front"
              [limits]="[0, v.widthMm]"
              [value]="r.atMm[1]"
              [disabled]="locked()"
              (quantity)="set({ diameterMm: r.diameterMm, atMm: [r.atMm[0], $event] })"
            />
          </div>
          <div class="buttons">
            <button class="btn danger" type="button" [disabled]="locked()" (click)="takeOut()">Take the ring out</button>
          </div>
        </section>
      } @else if (afloat()) {
        <p data-control="ring" class="small">
          <button class="btn" type="button" [disabled]="locked()" (click)="set({ diameterMm: usual, atMm: at(v) })">
            Float a feeding ring
          </button>
          it keeps a window open among floating leaves
        </p>
      }
    }
  `,
  styleUrl: '../ui/scene-bench.less',
})
export class FeedingRing {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly usual = USUAL_RING_MM;
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly vessel = computed(() => this.tank.design()?.vessel ?? null);
  protected readonly ring = computed(() => this.tank.design()?.care.feedingRing ?? null);
  protected readonly afloat = computed(() =>
    (this.tank.told()?.derived['plants.standing'].value ?? []).some(({ hold }) => hold === 'afloat'),
  );

  protected at(vessel: { lengthMm: number; widthMm: number }): [number, number] {
    return ringAt(vessel, USUAL_RING_MM);
  }

  protected set(ring: { diameterMm: number; atMm: [number, number] }): void {
    this.store.edit('Feeding ring', [{ op: 'add', path: '/care/feedingRing', value: ring }]);
  }

  protected takeOut(): void {
    this.store.edit('Take the feeding ring out', [{ op: 'remove', path: '/care/feedingRing' }]);
  }
}
