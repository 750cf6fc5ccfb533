import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Bench, Finding, Severity } from '../../core/calculation/finding';
import { causesOf } from '../../core/assessment/causes';
import { worst as worstSeverity } from '../../core/assessment/assess';
import { TankSession } from './tank-session';

/** The open tank as signals, for the views. Views read; none of them computes a judgement. */
@Injectable({ providedIn: 'root' })
export class TankView {
  private readonly store = inject(TankSession);
  readonly state = toSignal(this.store.designState$);
  readonly roomState = toSignal(this.store.roomState$);
  readonly assessment = toSignal(this.store.assessment$);
  /** The same, held back a little while a hand drags: for lists of words. */
  readonly told = toSignal(this.store.told$);
  /** The same for the ledger. */
  readonly written = toSignal(this.store.written$);
  readonly helps = toSignal(this.store.helps$);
  readonly catalogue = toSignal(this.store.catalogue$);

  /** The log of the tank; undefined while it is read. */
  readonly log = toSignal(this.store.log$);
  /** The plan, with what its log has of readings and tests. */
  readonly design = computed(() => {
    const document = this.state()?.document;
    this.log();
    return document && this.store.recorded(document);
  });
  readonly room = computed(() => this.roomState()?.document);
  readonly derived = computed(() => this.assessment()?.derived);
  readonly members = computed(() => this.derived()?.['stock.members'].value ?? []);
  readonly canUndo = computed(() => this.lastOf('undo'));
  readonly canRedo = computed(() => this.lastOf('redo'));
  readonly readOnly = computed(() => this.state()?.mayWrite === false);

  /** The name of what undo or redo would do; null when there is nothing. */
  private lastOf(history: 'undo' | 'redo'): string | null {
    const [design, room] = [this.state()?.[history].at(-1), this.roomState()?.[history].at(-1)];
    return ((room?.turn ?? -1) > (design?.turn ?? -1) ? room : design)?.label ?? null;
  }

  /** Findings that the user has not accepted, worst first, as they are told. */
  readonly open = computed(() => this.told()?.findings.filter(({ key }) => !Object.hasOwn(this.design()?.accepted ?? {}, key)) ?? []);

  /** The same by their causes: what is open has one entry per cause. */
  readonly causes = computed(() => {
    const told = this.told();
    return told ? causesOf(told) : [];
  });

  /** How many causes of a severity are open. */
  countOf(severity: Severity): number {
    const accepted = this.design()?.accepted ?? {};
    return this.causes().filter((cause) => cause.severity === severity && !Object.hasOwn(accepted, cause.head.key)).length;
  }

  findingsOf(bench: Bench): readonly Finding[] {
    return this.open().filter((finding) => finding.bench === bench);
  }

  /** Worst severity among the findings about a parameter. */
  worstOfParameter(parameter: string): Severity | null {
    return worstSeverity(this.open().filter((finding) => finding.parameter === parameter));
  }

  /** Worst severity of a bench; null when nothing there is judged. */
  worstOf(bench: Bench): Severity | null {
    return worstSeverity(this.findingsOf(bench));
  }
}
