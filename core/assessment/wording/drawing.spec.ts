import { METRIC, US } from '../../quantity/format';
import { judge, weedyThicket } from '../../testing/tanks';
import { wordDrawing } from './drawing';

describe('the drawing in words', () => {
  const told = (view: 'section' | 'plan', units = METRIC) => wordDrawing(judge(weedyThicket), view, units)!;

  it('names everything that stands in the tank, and where', () => {
    const { title, lines } = told('section');
    const { design } = judge(weedyThicket).world;
    expect(title).toMatch(/^Seen from the front, to scale: .* cm long, .* cm deep, .* cm high$/);
    const begin = (word: string) => lines.filter((line) => line.startsWith(`${word}:`)).length;
    const scene = Object.values(design.scene);
    expect(begin('Piece')).toBe(scene.filter(({ kind }) => kind === 'hardscape').length);
    expect(begin('Plant')).toBe(scene.filter(({ kind }) => kind === 'plant').length);
    expect(begin('Gear')).toBe(Object.keys(design.equipment).length);
    expect(begin('Animals')).toBe(Object.keys(design.stock).length);
    expect(begin('Bed')).toBe(Object.keys(design.substrate.layers).length);
    expect(lines.filter((line) => /undefined|NaN|\*/.test(line))).toEqual([]);
  });
  it('says what presses, and nothing that was accepted', () => {
    const judged = judge(weedyThicket);
    const [pressing] = judged.findings.filter(({ severity }) => severity === 'watch' || severity === 'conflict');
    const count = (accepted: Record<string, string>) =>
      wordDrawing(judge({ ...weedyThicket, accepted }), 'section', METRIC)!.lines.filter((line) => /^(Conflict|To watch):/.test(line))
        .length;
    expect(count({})).toBeGreaterThan(0);
    expect(count({ [pressing!.key]: 'known' })).toBe(count({}) - 1);
  });
  it('speaks in the user’s units, and of the view that is drawn', () => {
    expect(told('plan', US).title).toMatch(/^Seen from above.* in long/);
    expect(told('plan', US).lines.join(' ')).not.toMatch(/ cm| L\b/);
  });
  it('puts left, right, front and back where the coordinates are', () => {
    const place = (x: number, y: number) => {
      const design = structuredClone(weedyThicket);
      const [key, item] = Object.entries(design.scene).find(([, { kind }]) => kind === 'plant')!;
      const { lengthMm, widthMm } = design.vessel!;
      design.scene = { [key]: { ...item, positionMm: [x * lengthMm, y * widthMm, 0] } };
      return wordDrawing(judge(design), 'section', METRIC)!.lines.find((line) => line.startsWith('Plant:'));
    };
    expect(place(0.1, 0.1)).toMatch(/, left, at the front\.$/);
    expect(place(0.5, 0.5)).toMatch(/, middle, half-way back\.$/);
    expect(place(0.99, 0.99)).toMatch(/, right, at the back\.$/);
    expect(place(1, 1)).toMatch(/, right, at the back\.$/);
  });
  it('has nothing to say without a vessel', () => {
    expect(wordDrawing(judge({ ...weedyThicket, vessel: null }), 'section', METRIC)).toBeNull();
  });
});

describe('the bed in words', () => {
  it('goes by its materials, the uppermost first', () => {
    const { lines } = wordDrawing(judge(weedyThicket), 'section', METRIC)!;
    expect(lines.filter((line) => line.startsWith('Bed:')).map((line) => line.split(',')[0])).toEqual([
      'Bed: fine quartz sand',
      'Bed: lime silt',
    ]);
  });
});
