import { Directive, input, output } from '@angular/core';

/** A mark on an axis that can be taken hold of: by pointer, or by the arrow keys. */
@Directive({
  selector: '[trAxisGrip]',
  host: {
    class: 'grip',
    role: 'slider',
    tabindex: '0',
    '[attr.aria-label]': 'name()',
    '[attr.aria-valuemin]': 'span()[0]',
    '[attr.aria-valuemax]': 'span()[1]',
    '[attr.aria-valuenow]': 'value()',
    '[attr.aria-valuetext]': 'said()',
    '(pointerdown)': 'grabbed.emit($event)',
    '(pointermove)': 'moved.emit($event)',
    '(pointerup)': 'dropped.emit($event)',
    '(pointercancel)': 'lost.emit($event)',
    '(lostpointercapture)': 'lost.emit($event)',
    '(keydown)': 'pressed.emit($event)',
    '(keyup)': 'left.emit()',
    '(blur)': 'left.emit()',
  },
})
export class AxisGrip {
  readonly name = input.required<string>();
  readonly span = input.required<readonly [number, number]>();
  readonly value = input.required<number>();
  /** The value as it is read out, with its unit. */
  readonly said = input.required<string>();
  readonly grabbed = output<PointerEvent>();
  /** The hand was taken off by something else: nothing is done. */
  readonly lost = output<PointerEvent>();
  readonly moved = output<PointerEvent>();
  readonly dropped = output<PointerEvent>();
  readonly pressed = output<KeyboardEvent>();
  /** A key let go, or the focus gone. */
  readonly left = output();
}
