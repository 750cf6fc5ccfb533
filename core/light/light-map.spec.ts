import { lightMapOf } from '../assessment/light-map';
import { newLamp } from '../equipment/lamps';
import { newPlanting } from '../plants/model';
import { level } from '../substrate/surface';
import { judge, layer, piece, tank } from '../testing/tanks';
import type { Design } from '../design/design';

const lit = (scene: Design['scene'] = {}, carbon: number | null = null): Design => {
  const design = tank([['danio-margaritatus', 8]]);
  return {
    ...design,
    scene,
    water: { ...design.water, organicCarbonMgPerL: { value: carbon, basis: 'measured' } },
    equipment: {
      lamp: {
        order: 1,
        kind: 'lamp',
        powerW: null,
        sizeMm: null,
        placeMm: null,
        light: newLamp('bar', { output: { value: 3000, unit: 'lm' }, lengthMm: 540 }),
      },
    },
    substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } },
  };
};
const at = (design: Design, view: 'section' | 'plan', x: number, up: number) => {
  const map = lightMapOf(judge(design), view)!;
  const { lengthMm, widthMm, waterLevelMm } = design.vessel!;
  const tall = view === 'section' ? waterLevelMm : widthMm;
  return map.ppfd[Math.floor((1 - up / tall) * map.rows) * map.columns + Math.floor((x / lengthMm) * map.columns)]!;
};

describe('the map of light', () => {
  it('falls with depth and to the sides, and ends at the bed', () => {
    const open = lit();
    expect(at(open, 'section', 300, 250)).toBeGreaterThan(at(open, 'section', 300, 100));
    expect(at(open, 'section', 300, 100)).toBeGreaterThan(at(open, 'section', 20, 100));
    expect(at(open, 'section', 300, 20)).toBe(-1);
    // a plant has at its foot what the map has there, and a little more at its leaves
    const plant = judge({ ...open, scene: { a: newPlanting('cryptocoryne-parva', 1, [300, 200, 0]) } }).derived['plants.standing']
      .value![0]!;
    expect(plant.ppfd! / at(open, 'plan', 300, 200)).toBeGreaterThan(1);
    expect(plant.ppfd! / at(open, 'plan', 300, 200)).toBeLessThan(1.1);
    expect(lightMapOf(judge({ ...open, equipment: {} }), 'plan')).toBeNull();
  });
  it('has the shadow of a slab and of floating leaves in it', () => {
    const roof = {
      leg: piece('rounded-stone', { positionMm: [300, 330, 0], sizeMm: [80, 80, 90] }),
      roof: piece('slab', { positionMm: [300, 260, 0], sizeMm: [250, 250, 20], stand: 'pieces' }),
    };
    expect(at(lit(roof), 'plan', 300, 220)).toBeLessThan(at(lit(), 'plan', 300, 220) * 0.5);
    // and is the same again when the slab is gone
    expect(at(lit(), 'plan', 300, 220)).toBeGreaterThan(30);
    const cover = { f: { ...newPlanting('limnobium-laevigatum', 1, [100, 100, 0]), count: 60 } };
    expect(at(lit(cover), 'plan', 300, 220)).toBeLessThan(at(lit(), 'plan', 300, 220) * 0.2);
  });
  it('is dark at the bottom of a peat pool, where a breeder says it is', () => {
    // tea-brown water of 20 mg/L takes half of it on 30 cm, black water of 60 two thirds and more
    const clear = at(lit({}, 0.5), 'plan', 300, 200);
    expect(at(lit({}, 20), 'plan', 300, 200)).toBeLessThan(clear * 0.55);
    expect(at(lit({}, 60), 'plan', 300, 200)).toBeLessThan(clear * 0.33);
    expect(at(lit({}, 60), 'plan', 20, 20)).toBeLessThan(15);
  });
});
