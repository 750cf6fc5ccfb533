import { DestroyRef, inject } from '@angular/core';
import { TankSession, type Preview } from './tank-session';

/** What is shown under a hand while it drags. */
export interface PreviewGesture {
  /** Shows what the gesture would do: at most once a frame, of the last place. Null shows nothing new. */
  show(what: () => Preview | null): void;
  /** The gesture is over, however it ended: the judgement is of the kept state again. */
  end(): void;
}

/**
 * The one way in which a drag is judged before it is kept. It ends with its view, and with Escape, so that nothing that was never kept is left
 * standing. Called where a component is made.
 *
 * @param cancel lets the component forget the drag that Escape ended
 */
export function previewGesture(cancel: () => void): PreviewGesture {
  const store = inject(TankSession);
  let frame = 0;
  let wanted: (() => Preview | null) | null = null;
  const escape = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    end();
    cancel();
  };
  const end = (): void => {
    cancelAnimationFrame(frame);
    removeEventListener('keydown', escape, true);
    frame = 0;
    if (wanted) store.preview(null);
    wanted = null;
  };
  inject(DestroyRef).onDestroy(end);
  return {
    show: (what) => {
      if (!wanted) addEventListener('keydown', escape, true);
      wanted = what;
      frame ||= requestAnimationFrame(() => {
        frame = 0;
        const preview = wanted?.();
        if (preview) store.preview(preview);
      });
    },
    end,
  };
}
