import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';

/** Why something that is told is fine; opened by its words. */
@Component({
  selector: 'tr-accept-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (open()) {
      <form class="accept" (submit)="$event.preventDefault(); say(reason.value)">
        <input
          class="field"
          #reason
          maxlength="500"
          aria-label="Why this is accepted"
          placeholder="Why is this fine?"
          (keydown.escape)="open.set(false)"
        />
        <button class="btn">Accept</button>
      </form>
    } @else {
      <button type="button" class="link" [disabled]="disabled()" (click)="open.set(true)">Accept with a reason</button>
    }
  `,
  styles: `
    form {
      display: flex;
      gap: 6px;
      margin-top: 6px;
    }
    .field {
      flex: 1;
      min-width: 0;
    }
    .link {
      padding: 2px 0;
      border: 0;
      background: none;
      color: var(--soft);
      text-decoration: underline;
      text-underline-offset: 2px;
      cursor: pointer;
    }
  `,
})
export class AcceptForm {
  readonly disabled = input(false);
  readonly accepted = output<string>();
  protected readonly open = signal(false);

  protected say(reason: string): void {
    const value = reason.trim().slice(0, 500);
    if (value === '') return;
    this.open.set(false);
    this.accepted.emit(value);
  }
}
