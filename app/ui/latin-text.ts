import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** Text in which names between asterisks are set in italics: "*Danio margaritatus* jumps". */
@Component({
  selector: 'tr-latin',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (part of parts(); track $index) {
      @if (part.latin) {
        <em [textContent]="part.text"></em>
      } @else {
        <span [textContent]="part.text"></span>
      }
    }
  `,
})
export class LatinText {
  readonly text = input.required<string>();
  protected readonly parts = computed(() => splitLatin(this.text()));
}

export function splitLatin(text: string): { text: string; latin: boolean }[] {
  return text
    .split('*')
    .map((part, i) => ({ text: part, latin: i % 2 === 1 }))
    .filter(({ text: part }) => part !== '');
}
