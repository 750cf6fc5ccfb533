import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { ChangeEvaporation } from './change-evaporation';
import { ChangeKept } from './change-kept';
import { ChangeOne } from './change-one';
import { ChangeRoutine } from './change-routine';
import { ChangeShift } from './change-shift';
import { ChangeSwap } from './change-swap';

const TASKS = [
  { id: 'one', text: 'What a change does' },
  { id: 'routine', text: 'A routine that holds' },
  { id: 'evaporation', text: 'The evaporation trap' },
  { id: 'shift', text: 'A gradual shift' },
  { id: 'kept', text: 'Rescape or move' },
  { id: 'swap', text: 'Mature the tank for delicate animals' },
] as const;

/** Everything that is done to the water by hand: changes, shifts, moves, swaps. */
@Component({
  selector: 'tr-change-face',
  imports: [ChangeEvaporation, ChangeKept, ChangeOne, ChangeRoutine, ChangeShift, ChangeSwap],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="columns">
      <nav aria-label="Changes">
        @for (one of tasks; track one.id) {
          <button type="button" class="task" [attr.aria-current]="one.id === task() ? 'true' : null" (click)="task.set(one.id)">
            {{ one.text }}
          </button>
        }
      </nav>
      <section>
        @switch (task()) {
          @case ('one') {
            <tr-change-one />
          }
          @case ('routine') {
            <tr-change-routine />
          }
          @case ('evaporation') {
            <tr-change-evaporation />
          }
          @case ('shift') {
            <tr-change-shift />
          }
          @case ('kept') {
            <tr-change-kept />
          }
          @case ('swap') {
            <tr-change-swap />
          }
        }
      </section>
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      gap: 22px;
      margin-top: 6px;
    }
    nav {
      display: grid;
      align-content: start;
    }
    @media (max-width: 1023px) {
      .columns {
        grid-template-columns: minmax(0, 1fr);
      }
      nav {
        grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      }
    }
  `,
})
export class ChangeFace {
  protected readonly tasks = TASKS;
  protected readonly task = signal<(typeof TASKS)[number]['id']>('one');
}
