import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { catchError, concat, debounceTime, of, switchMap } from 'rxjs';
import { Stratum } from '../../core/catalogue/organism';
import { stockAtHand } from '../../core/design/at-hand';
import { emptyRoom } from '../../core/design/room';
import { addCompany } from '../../core/design/edits/stock-edits';
import type { CompanionWish } from '../../core/assessment/plan/companions';
import type { NamedKind, WordedCompanions, WordedOffer } from '../../core/assessment/wording/companions';
import { formatQuantity } from '../../core/quantity/format';
import type { CompanionRole } from '../../core/stocking/roles';
import { animalSearch } from '../../core/catalogue/name-search';
import { freshId } from '../../core/design/fresh-id';
import { JudgeFeed } from '../store/judge-feed';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { Check } from '../ui/check';
import { ChoiceField, type Choice } from '../ui/choice';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';

const STRATA: readonly Choice<Stratum | 'any'>[] = [
  { value: 'any', text: 'anywhere' },
  ...Stratum.options.map((value) => ({ value, text: value })),
];
const ROLES: readonly Choice<CompanionRole | 'any'>[] = [
  { value: 'any', text: 'anything' },
  { value: 'clean-up', text: 'left-overs' },
  { value: 'algae', text: 'algae' },
  { value: 'dither', text: 'calm the shy' },
  { value: 'snails', text: 'snails' },
];
const ROLE_WORD: Readonly<Record<CompanionRole, string>> = {
  'clean-up': 'clears left-overs',
  algae: 'grazes algae',
  dither: 'swims in the open, and the shy come out',
  snails: 'eats snails',
};
/** Long enough that a hand on the choices is not followed press by press. */
const REST_MS = 120;
const MOST_FOUND = 6;

interface Shelf {
  title: string;
  offers: readonly (WordedOffer & { does: string })[];
}

/** Who else could live in this tank: every animal put in, and judged with all the rest. */
@Component({
  selector: 'tr-who-else-face',
  imports: [Check, ChoiceField, LatinText, RouterLink, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './who-else-face.html',
  styleUrl: './who-else-face.less',
})
export class WhoElseFace {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly feed = inject(JudgeFeed);
  private readonly library = inject(Library);
  private readonly units = inject(PreferencesStore).units;
  protected readonly strata = STRATA;
  protected readonly roles = ROLES;
  protected readonly stratum = signal<Stratum | 'any'>('any');
  protected readonly role = signal<CompanionRole | 'any'>('any');
  protected readonly atHand = signal(false);
  protected readonly share = signal(0);
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly ready = computed(() => !!this.tank.design()?.vessel);
  protected readonly hasAnimals = computed(() =>
    stockAtHand(this.tank.room() ?? emptyRoom('', 'none')).some(({ kind, amount }) => kind === 'animal' && amount >= 1),
  );
  private readonly wish = computed((): CompanionWish => {
    const [stratum, role] = [this.stratum(), this.role()];
    return { stratum: stratum === 'any' ? null : stratum, role: role === 'any' ? null : role, atHand: this.atHand() && this.hasAnimals() };
  });
  private readonly asked = computed(() => {
    const [design, room] = [this.tank.design(), this.tank.room()];
    return design?.vessel && room ? { design, room, input: { wish: this.wish(), units: this.units() } } : null;
  });
  /** Null while it is being looked for; the reason where it cannot be. */
  protected readonly found = toSignal<WordedCompanions | string | null>(
    toObservable(this.asked).pipe(
      debounceTime(REST_MS),
      switchMap((ask) => {
        if (!ask) return of(null);
        this.share.set(0);
        const answer = this.feed.ask('companions', ask.design, ask.room, ask.input, { share: (share) => this.share.set(share) });
        return concat(of(null), answer.pipe(catchError((error: unknown) => of(error instanceof Error ? error.message : String(error)))));
      }),
    ),
    { initialValue: null },
  );
  protected readonly answer = computed(() => {
    const found = this.found();
    return found === null || typeof found === 'string' ? null : found;
  });
  /** Most were passed over for where they come from. */
  protected readonly heldToPlace = computed(() => this.answer()?.passed[0]?.includes('do not live in such a place') ?? false);
  protected readonly failed = computed(() => {
    const found = this.found();
    return typeof found === 'string' ? found : null;
  });
  protected readonly percent = computed(() => formatQuantity('fraction', this.share(), this.units()));

  protected readonly shelves = computed((): Shelf[] => {
    const offers = (this.answer()?.offers ?? []).map((offer) => ({
      ...offer,
      does: offer.roles.map((role) => ROLE_WORD[role]).join('; '),
    }));
    const worst = ({ says }: WordedOffer) => says[0]?.severity ?? 'fits';
    return [
      { title: 'They simply fit', offers: offers.filter((offer) => worst(offer) === 'fits') },
      { title: 'One thing to watch', offers: offers.filter((offer) => worst(offer) === 'watch') },
      { title: 'One thing in the way', offers: offers.filter((offer) => worst(offer) === 'conflict') },
    ].filter((shelf) => shelf.offers.length > 0);
  });

  // why not this one?
  private readonly whole = resource({ loader: () => this.library.catalogue() });
  private readonly search = computed(() => animalSearch(this.whole.value()?.organisms.values() ?? []));
  protected readonly query = signal('');
  protected readonly hits = computed(() => (this.query().trim() === '' ? [] : this.search()(this.query()).slice(0, MOST_FOUND)));
  protected readonly chosen = signal<string | null>(null);
  private readonly question = computed(() => {
    const organismId = this.chosen();
    return organismId && this.ready() ? { organismId, units: this.units() } : null;
  });
  private readonly told = workedOut(this.tank, 'whyNot', this.question);
  protected readonly why = computed(() => (this.told()?.organismId === this.chosen() ? this.told() : null));

  protected ask(organismId: string): void {
    this.chosen.set(organismId);
    this.query.set('');
  }

  protected add(kinds: readonly NamedKind[]): void {
    const design = this.tank.design();
    if (!design) return;
    const named = kinds.map(({ organismId, count }) => ({ organismId, count, newId: freshId() }));
    const [first] = kinds;
    this.store.edit(kinds.length === 1 ? `Add ${first!.count} ${first!.latin}` : `Add ${kinds.length} kinds`, addCompany(design, named));
    this.chosen.set(null);
  }
}
