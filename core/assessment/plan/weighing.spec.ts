import { kept } from '../../testing/kept-tank';
import { FAILING } from '../../testing/ordinary-tanks';
import { catalogue } from '../../testing/tanks';
import { METRIC } from '../../quantity/format';
import { assess } from '../assess';
import { wordWeighing } from '../wording/weighing';
import { weighed } from './weighing';

const failing = (start: string) => assess({ ...kept(FAILING.find(({ name }) => name.startsWith(start))!), catalogue });

describe('what a verdict hangs on', () => {
  it('a body that fits a mouth hangs on nothing that is planned', () => {
    const found = weighed(failing('Grown angelfish with neons'), 'stocking.predation:s0:s1')!;
    expect(found.turns).toEqual([]);
    expect(found.keeps.map(({ on }) => on)).toContain('space');
  });

  it('rivals hang on numbers, on sexes and on the floor', () => {
    const found = weighed(failing('Two male cockatoo'), 'stocking.sex-ratio:s0')!;
    expect(found.turns.map(({ on }) => on)).toEqual(jasmine.arrayContaining(['fewer', 'females', 'space']));
    // on the large floor there is still something to watch
    expect(found.turns.find(({ on }) => on === 'space')!.leaves).toBe('watch');
    expect(found.turns[0]!.leaves).toBeNull();
  });

  it('nippers calm down in numbers, and not in half as many', () => {
    const found = weighed(failing('Tiger barbs with angelfish'), 'stocking.fin-nipping:s0:s1')!;
    expect(found.turns).toEqual([{ on: 'number', id: 's0', value: 15, leaves: 'watch' }]);
    expect(found.sureness).toBe('mostly');
  });

  it('a lone one of a shoal hangs on how many there are', () => {
    const found = weighed(failing('A single neon'), 'stocking.group-size:s0')!;
    expect(found.turns.map(({ on }) => on)).toEqual(['number']);
  });

  it('says so in words, with what does not help', () => {
    const words = wordWeighing(failing('Tiger barbs with angelfish'), 'stocking.fin-nipping:s0:s1', METRIC)!;
    expect(words.turns.join()).toMatch(/15 of \*Puntigrus tetrazona\*, to a watch/);
    expect(words.keeps).toMatch(/Does not turn it: .*more room/);
    expect(words.means).toBe('Some are lost');
    expect(wordWeighing(failing('Grown angelfish with neons'), 'stocking.predation:s0:s1', METRIC)!.keeps).toMatch(
      /^None of this turns it/,
    );
  });

  it('is asked of company only', () => {
    const assessment = failing('Grown angelfish with neons');
    for (const { key, code } of assessment.findings) if (code.startsWith('water.')) expect(weighed(assessment, key)).toBeNull();
    expect(weighed(assessment, 'no such key')).toBeNull();
  });
});
