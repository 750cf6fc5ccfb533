import { Directive, output, signal } from '@angular/core';

/** Takes files that are dropped on it. */
@Directive({
  selector: '[trFileDrop]',
  host: {
    '[class.dropping]': 'over()',
    '(dragover)': 'drag($event)',
    '(dragleave)': 'over.set(false)',
    '(drop)': 'drop($event)',
  },
})
export class FileDrop {
  readonly dropped = output<FileList>({ alias: 'trFileDrop' });
  protected readonly over = signal(false);

  protected drag(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.over.set(true);
  }

  protected drop(event: DragEvent): void {
    this.over.set(false);
    const files = event.dataTransfer?.files;
    if (!files || files.length === 0) return;
    event.preventDefault();
    this.dropped.emit(files);
  }
}
