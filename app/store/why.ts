import { Injectable, signal } from '@angular/core';
import type { NodeId } from '../../core/assessment/derive';
import type { Parameter } from '../../core/catalogue/parameter';

/** What the "why" drawer is open on. */
export type WhySubject = { kind: 'parameter'; parameter: Parameter } | { kind: 'finding'; key: string } | { kind: 'node'; node: NodeId };

@Injectable({ providedIn: 'root' })
export class Why {
  readonly subject = signal<WhySubject | null>(null);

  parameter(parameter: Parameter): void {
    this.subject.set({ kind: 'parameter', parameter });
  }

  finding(key: string): void {
    this.subject.set({ kind: 'finding', key });
  }

  node(node: NodeId): void {
    this.subject.set({ kind: 'node', node });
  }

  close(): void {
    this.subject.set(null);
  }
}
