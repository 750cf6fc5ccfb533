import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { pairsOf } from '../../core/assessment/pairs';
import { pairWord, plain, wordFinding } from '../../core/assessment/wording';
import { SEVERITY_WORD } from '../../core/calculation/finding';
import type { Animal } from '../../core/catalogue/organism';
import type { Phase } from '../../core/catalogue/parameter';
import { inOrder, type Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { plural } from '../../core/quantity/plural';
import { monthsToGrown } from '../../core/stocking/growth';
import { Section } from '../section/section';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import { ChoiceField, type Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { SeverityGlyph } from '../ui/severity-glyph';
import { setCount, setFemales, setLongFins, setToday } from '../../core/design/edits/company-edits';

const PHASES: readonly Choice<Phase>[] = [
  { value: 'keep', text: 'keep' },
  { value: 'condition', text: 'condition' },
  { value: 'spawn', text: 'spawn' },
  { value: 'larvae', text: 'larvae' },
];

/** When animals that are put in young are grown, in words. */
function growsUp(animal: Animal, todayMm: number): string {
  const months = monthsToGrown(animal, todayMm);
  if (months === null) return '';
  if (months < 1) return 'grown by now';
  return `grown in ${months < 18 ? plural(Math.round(months), 'month') : `${Math.round(months / 6) / 2} years`}`;
}

/** The company: who, how many, of which sex, meant for what; who suits whom. */
@Component({
  selector: 'tr-company-face',
  imports: [Check, RouterLink, Section, QuantityField, ChoiceField, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './company-face.html',
  styleUrl: './company-face.less',
})
export class CompanyFace {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly why = inject(Why);
  private readonly units = inject(PreferencesStore).units;
  protected readonly phases = PHASES;
  protected readonly locked = computed(() => !!this.view.readOnly());

  protected readonly stock = computed(() => {
    const catalogue = this.view.catalogue();
    return inOrder(this.view.design()?.stock ?? {}).map(([id, entry]) => {
      const organism = catalogue?.organisms.get(entry.organismId);
      const animal = organism?.kind === 'animal' ? organism : null;
      return {
        id,
        entry,
        animal,
        name: organism?.latin ?? entry.organismId,
        strata: animal?.traits.strata.value?.join(', ') ?? 'not known',
        here: this.here(entry.organismId),
        mayBeLong: animal?.group === 'fish' && animal.traits.fins.value === 'short',
        grows: animal && entry.todayMm !== undefined ? growsUp(animal, entry.todayMm) : '',
      };
    });
  });

  /** How many of a kind the room's living stock has in this tank, in words; nothing where none is noted. */
  private here(organismId: string): string {
    const [room, design] = [this.view.room(), this.view.design()];
    const held = (this.view.derived()?.['lots.holdings'].value?.holdings ?? []).filter(
      ({ place, lotId }) => place === design?.id && room?.lots[lotId]?.organismId === organismId,
    );
    if (held.length === 0) return '';
    const [count, error] = held.reduce(([sum, off], one) => [sum + one.amount, off + one.error], [0, 0]);
    return `${count}${error > 0 ? ` ± ${error}` : ''} here`;
  }

  /** Rows and columns of the matrix; a cell reads the findings of two kinds. */
  protected readonly matrix = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return null;
    const rows = this.stock();
    const pairs = new Map(pairsOf(assessment).map((pair) => [`${pair.a}:${pair.b}`, pair]));
    return rows.slice(1).map((row, i) => ({
      ...row,
      cells: rows.slice(0, i + 1).map((column) => {
        const pair = pairs.get(`${column.id}:${row.id}`);
        const [worst] =
          pair?.findings.toSorted((a, b) => Number(b.severity === pair.severity) - Number(a.severity === pair.severity)) ?? [];
        const severity = pair?.severity ?? 'unknown';
        const titles = pair?.findings.map((finding) => plain(wordFinding(finding, assessment, this.units()).title)) ?? [];
        const more = titles.length - 1;
        const word = worst ? (pairWord(worst.code) ?? SEVERITY_WORD[severity].toLowerCase()) : SEVERITY_WORD[severity].toLowerCase();
        return {
          id: column.id,
          severity,
          word,
          more,
          label: `${word}${more > 0 ? ` +${more}` : ''}: ${column.name} and ${row.name}: ${titles.length > 0 ? titles.join('; ') : SEVERITY_WORD[severity].toLowerCase()}`,
          key: worst?.key ?? null,
        };
      }),
    }));
  });

  protected short(animal: Animal | null, name: string): string {
    const [genus = '', ...rest] = (animal?.latin ?? name).split(' ');
    return rest.length > 0 ? `${genus.charAt(0)}. ${rest.join(' ')}` : genus;
  }

  protected open(key: string | null): void {
    if (key) this.why.finding(key);
  }

  protected count(id: string, value: number): void {
    this.withDesign((design) => this.store.edit('Count', setCount(design, id, value)));
  }

  protected females(id: string, value: number | null): void {
    this.withDesign((design) => this.store.edit('Sexes', setFemales(design, id, value)));
  }

  protected today(id: string, value: number | null): void {
    this.withDesign((design) => this.store.edit('Length now', setToday(design, id, value)));
  }

  protected longFins(id: string, long: boolean): void {
    this.withDesign((design) => this.store.edit('Long fins', setLongFins(design, id, long)));
  }

  protected phase(id: string, value: Phase): void {
    this.store.edit('Purpose', [{ op: 'replace', path: pointer('stock', id, 'phase'), value }]);
  }

  private withDesign(act: (design: Design) => unknown): void {
    const design = this.view.design();
    if (design) act(design);
  }
}
