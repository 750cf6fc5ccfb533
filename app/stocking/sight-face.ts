import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { newPiece } from '../../core/hardscape/new-piece';
import { formatQuantity } from '../../core/quantity/format';
import { plural } from '../../core/quantity/plural';
import { OPEN_SHARE } from '../../core/scene/sight';
import { freshId } from '../../core/design/fresh-id';
import { Section } from '../section/section';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { SelectField } from '../ui/select';

/** A stone that parts two is as tall as a hand. */
const TALL_MM = 120;

/** Where those that hold ground may settle, and who sees whom from there. */
@Component({
  selector: 'tr-sight-face',
  imports: [Section, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (found() === null) {
      <p class="soft">Looking out of every hide …</p>
    } @else if (map(); as m) {
      @if (kinds().length > 1) {
        <tr-select label="Of" [options]="kinds()" [value]="memberId()" (chosen)="memberId.set($event)" />
      }
      <tr-section view="plan" [inset]="false" [sight]="m" />
      <section data-control="sight" aria-labelledby="sight-heading">
        <h2 id="sight-heading">
          <em>{{ name(m.organismId) }}</em>
        </h2>
        <p>{{ says() }}</p>
        @if (m.partAtMm) {
          <p>
            <button class="btn" type="button" [disabled]="locked()" (click)="part()">A stone where the cross is</button>
            <span class="small soft">it breaks the longest open line; a stand of plants does as well</span>
          </p>
        }
        <p class="small soft">
          A line drawn through: they see each other. Dotted: a piece, a bank or plants stand between, as grown as they are drawn. Rings are
          the ground of one pair or group, by the floor it is said to want; it shrinks where sight is broken and grows about a brood. How
          much is not known for most kinds: count the lines, and watch.
        </p>
      </section>
    } @else {
      <p class="soft">
        Nobody here holds ground on the bottom, as far as is known. Those that do are judged by the hides they may settle in, and by who is
        seen from there.
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    section {
      margin-top: 10px;
    }
    .btn {
      margin-right: 8px;
    }
  `,
})
export class SightFace {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly found = workedOut(this.tank, 'sight');
  protected readonly kinds = computed(() =>
    (this.found() ?? []).map(({ memberId, organismId }) => ({ value: memberId, text: this.name(organismId) })),
  );
  protected readonly memberId = linkedSignal<string[], string | null>({
    source: () => this.kinds().map(({ value }) => value),
    computation: (ids, previous) => (previous?.value && ids.includes(previous.value) ? previous.value : (ids[0] ?? null)),
  });
  protected readonly map = computed(() => (this.found() ?? []).find((one) => one.memberId === this.memberId()) ?? null);

  protected readonly says = computed(() => {
    const m = this.map();
    if (!m) return '';
    const open = m.lines.filter(({ share }) => share > OPEN_SHARE).length;
    const across = formatQuantity('length', 2 * m.radiusMm, this.units());
    const floor = `${plural(m.most, 'territory', 'territories')} of ${across} across ${m.most === 1 ? 'fits' : 'fit'} on this floor, and ${m.parties} ${m.parties === 1 ? 'is' : 'are'} wanted`;
    if (m.sites.length === 0) return `${floor}. There is no hide that lets it in: none can settle.`;
    if (m.lines.length === 0)
      return `${floor}; ${plural(m.sites.length, 'hide')} ${m.sites.length === 1 ? 'lets' : 'let'} it in, none near another.`;
    if (m.together)
      return `${floor}: a colony holds its ground together. ${plural(m.sites.length, 'hide')} let its members in; ${open} of ${plural(m.lines.length, 'line')} between them are open, and the rest is broken by what stands there.`;
    return `${floor}; ${plural(m.sites.length, 'hide')} let it in. Of ${plural(m.lines.length, 'line')} between neighbours ${open === 0 ? 'none is open' : open === 1 ? 'one is open' : `${open} are open`}.`;
  });

  protected name(organismId: string): string {
    return this.tank.catalogue()?.organisms.get(organismId)?.latin ?? organismId;
  }

  protected part(): void {
    const [design, at, of] = [this.tank.design(), this.map()?.partAtMm, this.tank.catalogue()?.pieces.get('rounded-stone')];
    if (!design || !at || !of) return;
    const stone = newPiece(of, nextOrder(design.scene), [at[0], at[1], 0]);
    const value = { ...stone, sizeMm: [60, 80, TALL_MM] };
    this.store.edit('A stone between two', [{ op: 'add', path: pointer('scene', freshId()), value }]);
  }
}
