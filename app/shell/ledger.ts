import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { causesOf } from '../../core/assessment/causes';
import type { Gravity } from '../../core/assessment/gravity';
import { BASIS_WORD, GRAVITY_WORD, nameOf, plain, wordFinding, wordRemedy, wordShortfall } from '../../core/assessment/wording';
import type { Remedy } from '../../core/assessment/remedies/remedy';
import type { Finding } from '../../core/calculation/finding';
import { pointer } from '../../core/design/edit';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankRecord } from '../store/tank-record';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { ChoiceField } from '../ui/choice';
import { BENCH_LIST } from './benches';
import { FRAME } from '../../core/assessment/frame';
import { AcceptForm } from './accept-form';
import { LogSigns } from './log-signs';
import { goTo } from './reach';
import { Why } from '../store/why';

interface Entry {
  finding: Finding;
  /** What else the same cause does. */
  parts: readonly Finding[];
  gravity: Gravity | null;
  /** The user's reason; null while it is open. */
  accepted: string | null;
}

interface Row extends Entry {
  gravityWord: string | null;
  title: string;
  reason: string;
  toState: boolean;
  basis: string | null;
  remedies: { remedy: Remedy; stale: boolean; action: string; effect: string; opens: string | null }[];
  shortfall: string | null;
}

/** Findings that are told by name when they come or go. */
const MOST_TOLD = 2;

/** "New: a; b and 3 more." */
function inShort(word: string, titles: readonly string[]): string {
  if (titles.length === 0) return '';
  const more = titles.length - MOST_TOLD;
  return `${word}: ${titles.slice(0, MOST_TOLD).join('; ')}${more > 0 ? ` and ${more} more` : ''}.`;
}

/** Enough to begin with; more at a press. */
const AT_FIRST = 30;

/** Findings, worst first; each opens to its reason, basis and remedies with what they would change. */
@Component({
  selector: 'tr-ledger',
  imports: [NgTemplateOutlet, ChoiceField, LatinText, AcceptForm, LogSigns, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'complementary', 'aria-label': 'Findings', '[attr.aria-busy]': 'busy()' },
  templateUrl: './ledger.html',
  styleUrl: './ledger.less',
})
export class Ledger {
  /** Left for a bench. */
  readonly went = output<void>();
  protected readonly view = inject(TankView);
  protected readonly record = inject(TankRecord);
  private readonly store = inject(TankSession);
  private readonly why = inject(Why);
  private readonly benches = inject(BENCH_LIST);
  private readonly router = inject(Router);
  private readonly units = inject(PreferencesStore).units;

  protected readonly showFits = signal(false);
  protected readonly showUnknown = signal<boolean | null>(null);
  protected readonly showAccepted = signal(false);
  /** Causes that are opened to their parts. */
  protected readonly opened = signal<ReadonlySet<string>>(new Set());
  protected readonly query = signal('');
  protected readonly scope = signal<'tank' | 'bench'>('tank');
  protected readonly groupBy = signal<'severity' | 'bench' | 'animal'>('severity');
  protected readonly scopes = [
    { value: 'tank', text: 'whole tank' },
    { value: 'bench', text: 'this bench' },
  ] as const;
  protected readonly groupings = [
    { value: 'severity', text: 'worst first' },
    { value: 'bench', text: 'by bench' },
    { value: 'animal', text: 'by animal' },
  ] as const;
  /** What helps is still being tried out for what is written here. */
  protected readonly busy = computed(() => this.view.helps()?.of !== this.view.written()?.world);
  /** The remedy that is being compared. */
  protected readonly comparing = signal<Remedy | null>(null);

  /** How many of the open ones are written out; a crowded tank has hundreds. */
  protected readonly limit = signal(AT_FIRST);

  /** A finding in words, with what can be done about it. Only what is on show is put into words. */
  private worded({ finding, parts, gravity, accepted }: Entry): Row {
    const assessment = this.view.written()!;
    const units = this.units();
    const help = finding.severity === 'fits' ? undefined : this.view.helps()?.byKey.get(finding.key);
    return {
      finding,
      parts,
      gravity,
      gravityWord: gravity && GRAVITY_WORD[gravity],
      accepted,
      ...wordFinding(finding, assessment, units),
      // what is still to be stated has no basis, and is not a thing to accept
      toState: finding.code.endsWith('.not-stated') || finding.code === 'stocking.not-chosen',
      basis: finding.severity === 'unknown' && finding.basis === 'measured' ? null : BASIS_WORD[finding.basis],
      // those of the revision before stay in sight until the new ones have been tried out
      remedies: (help?.remedies ?? []).map((remedy) => ({
        remedy,
        stale: this.busy(),
        ...wordRemedy(remedy, finding, assessment, units),
      })),
      shortfall: help ? wordShortfall(help, finding, units) : null,
    };
  }

  /** The bench in sight, by the address. */
  private readonly here = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(null),
      map(() => this.router.url.split(/[/?#]/)[3] ?? ''),
    ),
    { initialValue: '' },
  );

  private readonly shown = computed((): Entry[] => {
    const assessment = this.view.written();
    const accepted = this.view.design()?.accepted ?? {};
    const query = this.query().trim().toLowerCase();
    const bench = this.scope() === 'bench' ? this.here() : null;
    const mentions = (finding: Finding) => {
      if (query === '' || !assessment) return true;
      const { title, reason } = wordFinding(finding, assessment, this.units());
      return plain(`${title} ${reason}`).toLowerCase().includes(query);
    };
    const isAsked = (finding: Finding) =>
      (bench === null || finding.bench === bench || FRAME.placeOf(finding).bench === bench) && mentions(finding);
    return (assessment ? causesOf(assessment) : [])
      .filter(({ head, parts }) => isAsked(head) || parts.some(isAsked))
      .map(({ head, parts, gravity }) => ({
        finding: head,
        parts,
        gravity: head.severity === 'conflict' || head.severity === 'watch' ? gravity : null,
        accepted: Object.hasOwn(accepted, head.key) ? (accepted[head.key] ?? null) : null,
      }));
  });

  protected readonly groups = computed(() => {
    const open = this.shown().filter(({ accepted }) => accepted === null);
    const bySeverity = (...severities: Finding['severity'][]) => open.filter(({ finding }) => severities.includes(finding.severity));
    return {
      open: bySeverity('conflict', 'watch'),
      unknown: bySeverity('unknown'),
      fits: bySeverity('fits'),
      accepted: this.shown().filter(({ accepted }) => accepted !== null),
    };
  });

  protected readonly unknownRows = computed(() => (this.unknownOpen() ? this.groups().unknown.map((entry) => this.worded(entry)) : []));
  protected readonly fitRows = computed(() => (this.showFits() ? this.groups().fits.map((entry) => this.worded(entry)) : []));
  protected readonly acceptedRows = computed(() => (this.showAccepted() ? this.groups().accepted.map((entry) => this.worded(entry)) : []));
  protected readonly moreThanShown = computed(() => Math.max(0, this.groups().open.length - this.limit()));

  /** What is open, under headings of its own where that was asked for. */
  protected readonly headed = computed(() => {
    const open = this.groups()
      .open.slice(0, this.limit())
      .map((entry) => this.worded(entry));
    const by = this.groupBy();
    if (by === 'severity') return [{ heading: null, rows: open }];
    const assessment = this.view.written();
    const headings = new Map<string, typeof open>();
    for (const row of open) {
      const { finding } = row;
      const [subject] = finding.subjects;
      const name =
        by === 'bench'
          ? (this.benches.find(({ id }) => id === finding.bench)?.name ?? finding.bench)
          : subject !== undefined && assessment
            ? nameOf(subject, assessment)
            : 'The tank';
      headings.set(name, [...(headings.get(name) ?? []), row]);
    }
    return [...headings].map(([heading, rows]) => ({ heading, rows }));
  });

  /** With nothing worse to show, what is unknown comes first. */
  protected readonly unknownOpen = computed(() => this.showUnknown() ?? this.groups().open.length === 0);

  protected readonly summary = computed(() => {
    const count = (severity: Finding['severity']) => this.view.countOf(severity);
    const parts = [
      [count('conflict'), 'conflict'],
      [count('watch'), 'watch'],
    ] as const;
    const said = parts.filter(([n]) => n > 0).map(([n, word]) => `${n} ${word}${n > 1 && word === 'conflict' ? 's' : ''}`);
    const unknown = count('unknown');
    // a plan without a fault is no all-clear for a tank whose log shows one
    const logged = this.record.signs().length;
    if (logged > 0) said.push(`${logged} by its log`);
    if (said.length > 0) return said.join(', ');
    return unknown > 0 ? `${unknown} unknown` : 'no problems found';
  });

  /** What its log shows, as far as the filter lets it through: words are looked for where they are. */
  protected logged(weight: 'conflict' | 'watch') {
    if (this.query().trim() !== '' || (this.scope() === 'bench' && this.here() !== 'care')) return [];
    return this.record.signs().filter((sign) => sign.weight === weight);
  }

  protected readonly loggedAccepted = computed(() => (this.query().trim() === '' ? this.record.accepted() : []));
  protected readonly acceptedCount = computed(() => this.groups().accepted.length + this.loggedAccepted().length);

  /** What is open and presses, with the judgement that it is worded by. */
  private readonly pressing = computed(() => {
    const assessment = this.view.written();
    const accepted = this.view.design()?.accepted ?? {};
    const heads = (assessment ? causesOf(assessment) : []).map(({ head }) => head).filter(({ key }) => !Object.hasOwn(accepted, key));
    const pressing = heads.filter(({ severity }) => severity === 'conflict' || severity === 'watch');
    return { assessment, findings: new Map(pressing.map((finding) => [finding.key, finding])) };
  });
  /** What has come and gone among it, said once the hand rests: for who cannot see the list change. */
  protected readonly news = linkedSignal<ReturnType<typeof this.pressing>, string>({
    source: this.pressing,
    computation: (now, before) => {
      if (!before?.source.assessment || !now.assessment) return '';
      const { source } = before;
      const word = (all: typeof now, but: typeof now): string[] =>
        [...all.findings.values()]
          .filter(({ key }) => !but.findings.has(key))
          .map((finding, i) => (i < MOST_TOLD ? plain(wordFinding(finding, all.assessment!, this.units()).title) : ''));
      return [inShort('New', word(now, source)), inShort('Gone', word(source, now))].filter(Boolean).join(' ');
    },
  });

  protected apply(remedy: Remedy, action: string): void {
    if (remedy.baseRev === this.view.design()?.rev) this.store.applyRemedy(plain(action), remedy);
  }

  protected openWhy(finding: Finding): void {
    this.why.finding(finding.key);
  }

  protected goTo(finding: Finding): void {
    const { design } = this.store.current ?? {};
    if (!design) return;
    void goTo(this.router, design.state.document.id, FRAME.placeOf(finding));
    this.went.emit();
  }

  protected toggleCompare(remedy: Remedy): void {
    this.comparing.update((one) => (one?.id === remedy.id ? null : remedy));
  }

  private readonly compared = workedOut(
    this.view,
    'compare',
    computed(() => {
      const remedy = this.comparing();
      return remedy && { remedyId: remedy.id, patch: remedy.patch, units: this.units() };
    }),
  );
  /** What the remedy that is being compared would change in the judgement; null until it is worked out. */
  protected readonly differences = computed(() => {
    const found = this.compared();
    return found && found.remedyId === this.comparing()?.id ? found.findings : null;
  });

  /** The parts of a cause, in full. */
  protected partRows({ parts }: Row): Row[] {
    return parts.map((finding) => this.worded({ finding, parts: [], gravity: null, accepted: null }));
  }

  protected toggleParts(key: string): void {
    this.opened.update((keys) => new Set(keys.has(key) ? [...keys].filter((one) => one !== key) : [...keys, key]));
  }

  /** Accepts a cause with all that it does. */
  protected accept({ finding, parts }: Row, reason: string): void {
    this.store.edit(
      'Accept a finding',
      [finding, ...parts].map(({ key }) => ({ op: 'add', path: pointer('accepted', key), value: reason })),
    );
  }

  protected withdraw(finding: Finding): void {
    this.store.edit('Take an acceptance back', [{ op: 'remove', path: pointer('accepted', finding.key) }]);
  }
}
