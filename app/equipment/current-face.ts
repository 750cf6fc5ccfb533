import { ChangeDetectionStrategy, Component } from '@angular/core';

@Component({ selector: 'tr-current-face', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
export class CurrentFace {}
