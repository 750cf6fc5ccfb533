import type { CodesOf } from '../../calculation/finding';
import { PARAMETER_META, type Parameter } from '../../catalogue/parameter';
import { type Worded, type Words } from './words';

/** Findings about ranges that do not meet, in words. */
export function wordWindow({ code, finding, who, other, show }: Words<CodesOf<'window'>>): Worded {
  switch (code) {
    case 'window.clash':
    case 'window.strain': {
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      return finding.code === 'window.clash'
        ? {
            title: `${who} and ${other} cannot be kept together`,
            reason:
              finding.kind === 'worlds'
                ? `${name}: one thrives up to ${show('top')}, the other from ${show('bottom')}; between them both waste away.`
                : `${name}: one stands at most ${show('top')}, the other needs at least ${show('bottom')}.`,
          }
        : {
            title: `${who} and ${other} do not share a comfortable ${/^[A-Z][a-z]/.test(name) ? name.toLowerCase() : name}`,
            reason: `One is comfortable up to ${show('top')}, the other from ${show('bottom')}; between them one is only tolerating it.`,
          };
    }
  }
}
