import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** An animal of a pedigree, as it is drawn. */
export interface Drawn {
  id: string;
  name: string;
  sex: 'female' | 'male' | null;
  group: boolean;
  generation: string;
  /** Inbreeding, 0 to 1. */
  inbreeding: number;
  /** Gone or dead. */
  past: boolean;
  motherId: string | null;
  fatherIds: readonly string[];
}

const ROW = 92;
const CARD = { width: 138, height: 52 };
const GAP = 18;

/** Who came of whom: founders on top, each generation below its parents. A line from a father that is not sure is broken. */
@Component({
  selector: 'tr-pedigree',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <svg [attr.width]="laid().width" [attr.height]="laid().height" role="group" aria-label="Pedigree">
        @for (path of laid().paths; track path.key) {
          <path [attr.d]="path.d" [class.unsure]="path.unsure" />
        }
        @for (card of laid().cards; track card.id) {
          <g
            class="card"
            role="button"
            tabindex="0"
            [attr.data-animal]="card.id"
            [attr.aria-pressed]="card.id === chosen()"
            [class.chosen]="card.id === chosen()"
            [class.past]="card.past"
            [attr.transform]="'translate(' + card.x + ' ' + card.y + ')'"
            (click)="choose.emit(card.id)"
            (keydown.enter)="choose.emit(card.id)"
            (keydown.space)="$event.preventDefault(); choose.emit(card.id)"
          >
            <rect [attr.width]="size.width" [attr.height]="size.height" />
            @if (card.inbreeding > 0.0005) {
              <rect class="inbred" y="47" height="5" [attr.width]="size.width * card.inbreeding" />
            }
            <text x="9" y="19" class="name">{{ card.short }}</text>
            <text x="9" y="37" class="sub">{{ card.sub }}</text>
          </g>
        }
      </svg>
    </div>
  `,
  styles: `
    .scroll {
      overflow: auto;
      max-height: 420px;
    }
    path {
      fill: none;
      stroke: var(--edge);
      stroke-width: 1.3;
    }
    .unsure {
      stroke-dasharray: 4 4;
    }
    .card {
      cursor: pointer;
      outline: none;
    }
    rect {
      fill: var(--paper);
      stroke: var(--edge);
    }
    .inbred {
      fill: var(--clay);
      stroke: none;
    }
    .chosen rect:first-of-type {
      fill: var(--band);
      stroke: var(--moss);
      stroke-width: 2;
    }
    .card:focus-visible rect:first-of-type {
      stroke: var(--ink);
      stroke-width: 3;
    }
    .past .name {
      font-style: italic;
      font-weight: 400;
    }
    text {
      fill: var(--ink);
      font-size: 12.5px;
    }
    .name {
      font-weight: 700;
    }
    .sub {
      fill: var(--soft);
      font-size: 12px;
    }
  `,
})
export class PedigreeDrawing {
  readonly animals = input.required<readonly Drawn[]>();
  readonly chosen = input.required<string | null>();
  readonly choose = output<string>();
  protected readonly size = CARD;

  /** Rows by how many steps each is from the founders; in a row, near the middle of the parents. */
  protected readonly laid = computed(() => {
    const animals = this.animals();
    const by = new Map(animals.map((one) => [one.id, one]));
    const depth = new Map<string, number>();
    const parentsOf = ({ motherId, fatherIds }: Drawn) => [...new Set([motherId, ...fatherIds])].filter((id) => id !== null && by.has(id));
    const depthOf = (one: Drawn): number => {
      const known = depth.get(one.id);
      if (known !== undefined) return known;
      const found = Math.max(-1, ...parentsOf(one).map((id) => depthOf(by.get(id!)!))) + 1;
      depth.set(one.id, found);
      return found;
    };
    const rows: Drawn[][] = [];
    for (const one of animals) (rows[depthOf(one)] ??= []).push(one);
    const at = new Map<string, { x: number; y: number }>();
    const step = CARD.width + GAP;
    rows.forEach((row, r) => {
      const wish = (one: Drawn): number => {
        const parents = parentsOf(one).map((id) => at.get(id!)!.x);
        return parents.length === 0 ? 0 : parents.reduce((sum, x) => sum + x, 0) / parents.length;
      };
      const sorted = row.map((one, i) => ({ one, wish: wish(one), i })).sort((a, b) => a.wish - b.wish || a.i - b.i);
      const middle = sorted.reduce((sum, { wish: x }) => sum + x, 0) / sorted.length;
      let x = Math.max(1, middle - ((sorted.length - 1) * step) / 2);
      for (const { one } of sorted) {
        at.set(one.id, { x, y: 1 + r * ROW });
        x += step;
      }
    });
    const paths = animals.flatMap((one) =>
      parentsOf(one).map((id) => {
        const [from, to] = [at.get(id!)!, at.get(one.id)!];
        const [x1, y1, x2, y2] = [from.x + CARD.width / 2, from.y + CARD.height, to.x + CARD.width / 2, to.y];
        return {
          key: `${id} ${one.id}`,
          d: `M${x1} ${y1}C${x1} ${y1 + 22} ${x2} ${y2 - 22} ${x2} ${y2}`,
          unsure: one.fatherIds.length > 1 && one.fatherIds.includes(id!) && id !== one.motherId,
        };
      }),
    );
    const cards = animals.map((one) => {
      const sex = one.group ? 'group' : (one.sex ?? 'sex not known');
      const percent = Math.round(one.inbreeding * 1000) / 10;
      return {
        ...one,
        ...at.get(one.id)!,
        short: one.name.length > 17 ? `${one.name.slice(0, 16)}…` : one.name,
        sub: [sex, one.generation, percent > 0 ? `F ${percent} %` : ''].filter((text) => text !== '').join(' · '),
      };
    });
    return {
      paths,
      cards,
      width: Math.max(1, ...cards.map(({ x }) => x + CARD.width)) + 2,
      height: rows.length * ROW - (ROW - CARD.height) + 2,
    };
  });
}
