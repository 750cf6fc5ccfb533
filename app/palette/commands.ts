import { DestroyRef, Injectable, computed, inject, signal } from '@angular/core';
import type { PaletteEntry } from './entry';

type Offer = () => readonly PaletteEntry[];

/** What can be done just now: each page says what it offers for as long as it is open. */
@Injectable({ providedIn: 'root' })
export class Commands {
  /** Whether the list stands open. */
  readonly asked = signal(false);
  private readonly offers = signal<readonly Offer[]>([]);
  readonly entries = computed(() => this.offers().flatMap((offer) => offer()));

  /** Offers a list until whoever offers it is destroyed. To be called where one may inject. */
  offer(list: Offer): void {
    this.offers.update((offers) => [...offers, list]);
    inject(DestroyRef).onDestroy(() => this.offers.update((offers) => offers.filter((one) => one !== list)));
  }
}
