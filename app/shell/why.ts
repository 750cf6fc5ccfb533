import { Injectable, signal } from '@angular/core';
import type { Parameter } from '../../core/catalogue/parameter';

/** What the "why" drawer is open on. */
export type WhySubject = { kind: 'parameter'; parameter: Parameter } | { kind: 'finding'; key: string };

@Injectable({ providedIn: 'root' })
export class Why {
  readonly subject = signal<WhySubject | null>(null);

  parameter(parameter: Parameter): void {
    this.subject.set({ kind: 'parameter', parameter });
  }

  finding(key: string): void {
    this.subject.set({ kind: 'finding', key });
  }

  close(): void {
    this.subject.set(null);
  }
}
