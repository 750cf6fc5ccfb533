import { computed, linkedSignal, type Signal, type WritableSignal } from '@angular/core';
import { inOrder } from '../../core/design/design';
import type { TankView } from './tank-view';

export interface KindChoice {
  value: string;
  /** Latin name. */
  text: string;
}

/** The kinds of a tank and the one that is looked at: the target, or the first of the company, until another is chosen. */
export function chosenKind(view: TankView): { kinds: Signal<KindChoice[]>; stockId: WritableSignal<string | null> } {
  const kinds = computed(() => {
    const catalogue = view.catalogue();
    return inOrder(view.design()?.stock ?? {}).map(([value, { organismId }]) => ({
      value,
      text: catalogue?.organisms.get(organismId)?.latin ?? organismId,
    }));
  });
  const stockId = linkedSignal<string[], string | null>({
    source: () => kinds().map(({ value }) => value),
    computation: (ids, previous) =>
      previous?.value && ids.includes(previous.value)
        ? previous.value
        : (ids.find((id) => view.design()?.brief.targetStockIds.includes(id)) ?? ids[0] ?? null),
  });
  return { kinds, stockId };
}
