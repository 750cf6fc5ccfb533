import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Biotope } from '../../core/catalogue/biotope';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { ReadRecords } from '../../core/biotope/read-records';
import { download, fileStem } from '../ui/download';

const MOST_LEFT = 40;
/** Largest zip of records that is looked at, bytes. */
const MOST_BYTES = 10_000_000;

/** Places in and out as Darwin Core records. */
@Component({
  selector: 'tr-records-panel',
  imports: [],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <button class="btn" type="button" [disabled]="places().length === 0" (click)="write()">
        Write {{ places().length === 1 ? 'this place' : places().length + ' places' }} as records
      </button>
      <label class="open-file"
        >Read records
        <input
          type="file"
          multiple
          accept=".csv,.txt,.tsv,.zip,text/csv,application/zip"
          (change)="open($any($event.target).files); $any($event.target).value = ''"
      /></label>
      <span class="soft small">Darwin Core: events, occurrences, measurements, as CSV or zip</span>
    </div>
    @if (read(); as r) {
      <div class="read" role="status">
        @if (r.ok) {
          <p>
            <strong>{{ r.taken }} lines</strong> make
            {{ r.drafts.length === 1 ? 'the draft of one place' : 'drafts of ' + r.drafts.length + ' places' }}: {{ names(r.drafts) }}.
          </p>
          <p class="row">
            <button class="btn primary" type="button" (click)="keep.emit(r.drafts); read.set(null)">
              Keep {{ r.drafts.length === 1 ? 'it' : 'them' }} in this room
            </button>
            <button class="btn" type="button" (click)="read.set(null)">Leave it</button>
          </p>
        } @else {
          <p class="error" role="alert">Not read: {{ r.reason }}. Nothing was changed.</p>
        }
        @if (r.left.length > 0) {
          <details [open]="!r.ok || r.left.length <= 8">
            <summary>{{ r.left.length }} line{{ r.left.length === 1 ? '' : 's' }} not taken</summary>
            <ul>
              @for (line of r.left.slice(0, most); track $index) {
                <li>{{ line.file }}, line {{ line.line }}: {{ line.reason }}.</li>
              }
              @if (r.left.length > most) {
                <li>and {{ r.left.length - most }} more</li>
              }
            </ul>
          </details>
        }
      </div>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
    }
    .read {
      display: grid;
      gap: 6px;
      margin-top: 8px;
      padding: 8px 10px;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: var(--paper);
    }
    ul {
      margin: 4px 0 0;
      padding-left: 18px;
    }
  `,
})
export class RecordsPanel {
  /** What would be written. */
  readonly places = input.required<readonly Biotope[]>();
  readonly catalogue = input.required<Catalogue>();
  readonly keep = output<readonly Biotope[]>();
  protected readonly read = signal<ReadRecords | null>(null);
  protected readonly most = MOST_LEFT;

  protected names(drafts: readonly Biotope[]): string {
    const names = drafts.slice(0, 6).map(({ name }) => name);
    return `${names.join(', ')}${drafts.length > 6 ? ' …' : ''}`;
  }

  protected async write(): Promise<void> {
    const { placesAsDarwinCore, darwinCoreArchive } = await import('../../core/biotope/darwin-core');
    const places = this.places();
    const name = places.length === 1 ? fileStem(places[0]!.name) : 'places';
    download(`${name}.dwc.zip`, darwinCoreArchive(placesAsDarwinCore(places, this.catalogue().organisms)), 'application/zip');
  }

  protected async open(files: FileList | null): Promise<void> {
    if (!files || files.length === 0) return;
    try {
      const texts: { name: string; text: string }[] = [];
      for (const file of Array.from(files)) {
        if (file.size > MOST_BYTES) throw new Error(`${file.name} is larger than records can be`);
        if ((await file.slice(0, 2).text()) !== 'PK') texts.push({ name: file.name, text: await file.text() });
        else {
          const { unpacked } = await import('../../core/design/archive');
          const zip = unpacked(new Uint8Array(await file.arrayBuffer()));
          if (!zip.ok) throw new Error(`${file.name}: ${zip.refusals[0]?.reason ?? 'not a whole zip'}`);
          for (const [name, bytes] of zip.document) texts.push({ name, text: new TextDecoder().decode(bytes) });
        }
      }
      const { readRecords } = await import('../../core/biotope/read-records');
      this.read.set(readRecords(texts, this.catalogue()));
    } catch (error) {
      this.read.set({ ok: false, reason: error instanceof Error ? error.message : String(error), left: [] });
    }
  }
}
