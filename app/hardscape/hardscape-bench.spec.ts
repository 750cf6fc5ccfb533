import { TestBed } from '@angular/core/testing';
import { Design as DesignSchema, inOrder, type Design } from '../../core/design/design';
import type { HardscapeItem } from '../../core/hardscape/model';
import { catalogue, layer, piece, shellBed, tank } from '../../core/testing/tanks';
import { level } from '../../core/substrate/surface';
import { applyEdit } from '../../core/design/edit';
import { movingWith, scalePatch, shiftPatch, turnPatch } from '../section/piece-moves';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { HardscapeBench } from './hardscape-bench';
import { addPiece, copyPiece, groupPieces, ungroup } from './piece-edits';

const stones = (): Design => {
  const design = tank([]);
  return {
    ...design,
    substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(40)) } },
    scene: {
      a: piece('rounded-stone', { order: 1, positionMm: [200, 200, 0] }),
      b: piece('slab', { order: 2, positionMm: [420, 200, 0], turnDeg: [0, 0, 30] }),
    },
  };
};
const item = (design: Design, id: string) => design.scene[id] as HardscapeItem;
const done = (design: Design, patch: Parameters<typeof applyEdit>[1]): Design => {
  const applied = applyEdit(design, patch, DesignSchema);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  return applied.document;
};

describe('edits of pieces', () => {
  it('move by steps of 5 mm, freely with a fine hand, deeper into the bed from the front', () => {
    const design = stones();
    expect(item(done(design, shiftPatch(design, 'a', 'plan', 12, -7)), 'a').positionMm).toEqual([210, 195, 0]);
    expect(item(done(design, shiftPatch(design, 'a', 'plan', 12, -7, true)), 'a').positionMm).toEqual([212, 193, 0]);
    const sunk = item(done(design, shiftPatch(design, 'a', 'section', 0, -10)), 'a');
    expect(sunk.embedMm).toBe(item(design, 'a').embedMm + 10);
    expect(item(done(design, shiftPatch(design, 'a', 'section', 0, 900)), 'a').embedMm).toBe(0);
    const held = done(design, [{ op: 'replace', path: '/scene/a/stand', value: 'held' }]);
    expect(item(done(held, shiftPatch(held, 'a', 'section', 0, 52)), 'a').positionMm).toEqual([200, 200, 50]);
  });

  it('turn, scale, mirror and copy', () => {
    const design = stones();
    expect(item(done(design, turnPatch(design, 'b', 165)), 'b').turnDeg).toEqual([0, 0, -165]);
    expect(item(done(design, scalePatch(design, 'a', 1.5)), 'a').sizeMm).toEqual([210, 150, 120]);
    expect(Math.min(...item(done(design, scalePatch(design, 'a', 1e-6)), 'a').sizeMm)).toBe(4);
    const made = copyPiece(design, 'b', true);
    const mirrored = item(done(design, made.patch), made.id);
    expect([mirrored.positionMm[0], mirrored.turnDeg[2], mirrored.mirrored]).toEqual([180, -30, true]);
    const copied = copyPiece(design, 'a', false);
    expect(item(done(design, copied.patch), copied.id).positionMm[0]).toBeGreaterThan(200);
  });

  it('of a group move together; what is locked stays', () => {
    const grouped = done(stones(), groupPieces(stones(), ['a', 'b']));
    expect(movingWith(grouped, 'a').map(([id]) => id)).toEqual(['a', 'b']);
    const moved = done(grouped, shiftPatch(grouped, 'a', 'plan', 20, 0));
    expect([item(moved, 'a').positionMm[0], item(moved, 'b').positionMm[0]]).toEqual([220, 440]);
    const locked = done(grouped, [{ op: 'replace', path: '/scene/a/locked', value: true }]);
    expect(shiftPatch(locked, 'a', 'plan', 20, 0)).toEqual([]);
    expect(turnPatch(locked, 'a', 20)).toEqual([]);
    expect(movingWith(done(grouped, ungroup(grouped, 'b')), 'a').map(([id]) => id)).toEqual(['a']);
    const twin = copyPiece(grouped, 'a', false);
    expect(Object.keys(done(grouped, twin.patch).scene).length).toBe(4);
  });

  it('put each class where it belongs', () => {
    const design = stones();
    for (const of of catalogue.pieces.values()) {
      const put = item(done(design, addPiece(design, of, 'new')), 'new');
      expect(put.classId).toBe(of.id);
      expect(put.positionMm[0]).withContext(of.id).toBeGreaterThan(0);
      expect(put.positionMm[0]).withContext(of.id).toBeLessThan(600);
    }
    expect(item(done(design, addPiece(design, catalogue.pieces.get('false-back')!, 'new')), 'new').sizeMm[0]).toBe(600);
  });
});

describe('the hardscape bench', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('puts a piece in, holds it, and changes it field by field', async () => {
    const bench = await openBench(HardscapeBench, { ...stones(), scene: {} });
    expect(bench.text('.head')).toContain('no pieces yet');
    const select = bench.host.querySelector<HTMLSelectElement>('.adders select')!;
    select.value = 'branch';
    select.dispatchEvent(new Event('change'));
    await bench.refresh();
    bench.host.querySelector<HTMLElement>('.adders tr-add-from button')!.click();
    await bench.refresh();
    const [[id, put] = ['', null]] = inOrder(bench.design().scene);
    expect(put?.classId).toBe('branch');
    expect(bench.text('.piece h2')).toBe('branch');
    await bench.type('Long', '40 cm');
    await bench.type('Turned', '45');
    expect(item(bench.design(), id)).toEqual(jasmine.objectContaining({ sizeMm: [400, 140, 160], turnDeg: [0, 0, 45] }));
    await bench.press('Weighted');
    await bench.type('Stone tied on', '0.5 kg');
    expect(item(bench.design(), id)).toEqual(jasmine.objectContaining({ fixing: 'weighted', ballastKg: 0.5 }));
    await bench.press('Lock');
    expect(item(bench.design(), id).locked).toBeTrue();
    await bench.press('Unlock');
    await bench.press('Copy');
    expect(Object.keys(bench.design().scene).length).toBe(2);
    await bench.type('Long', '-3');
    expect(bench.host.querySelector('[role=alert]')!.textContent).toMatch(/old value is kept/);
    await bench.press('Remove');
    expect(Object.keys(bench.design().scene)).toEqual([id]);
    expect(item(bench.design(), id).sizeMm[0]).toBe(400);
    expect(bench.host.querySelector('section.piece')).toBeNull();
  });

  it('moves the piece in focus by the keyboard, one edit a press, and lets it be undone', async () => {
    const bench = await openBench(HardscapeBench, stones());
    const stone = bench.host.querySelector<SVGGElement>('[data-piece=a]')!;
    const key = async (name: string, more: KeyboardEventInit = {}) => {
      stone.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, ...more }));
      await bench.refresh();
    };
    await key('ArrowRight');
    await key('ArrowRight', { shiftKey: true });
    await key('[');
    await key('>');
    expect(item(bench.design(), 'a')).toEqual(
      jasmine.objectContaining({ positionMm: [206, 200, 0], turnDeg: [0, 0, 15], sizeMm: [147, 105, 84] }),
    );
    for (let i = 0; i < 4; i++) bench.store.undo();
    expect(item(bench.design(), 'a')).toEqual(item(stones(), 'a'));
    await key('Enter');
    expect(bench.text('.piece h2')).toBe('rounded stone');
    await key('Delete');
    expect(Object.keys(bench.design().scene)).toEqual(['b']);
  });

  it('draws shells with open and closed mouths, says whom they shelter, and notes of taste apart', async () => {
    const bench = await openBench(HardscapeBench, shellBed);
    expect(bench.host.querySelectorAll('[data-piece]').length).toBe(17);
    expect(bench.host.querySelectorAll('.mouth.free').length).toBeGreaterThan(4);
    expect(bench.host.querySelectorAll('.mouth.closed').length).toBe(1);
    expect(bench.text('.panels')).toMatch(/14 hides serve Neolamprologus multifasciatus/);
    expect(bench.text('.panels')).toMatch(/An odd number of pieces|even number of pieces/);
    await bench.press('Shelter');
    expect(bench.host.querySelector('image.shade')).not.toBeNull();
    await bench.press('Both');
    expect(bench.host.querySelectorAll('tr-section').length).toBe(2);
    // one finding tied to its place, at least
    expect(bench.host.querySelectorAll('.callout .lead').length).toBeGreaterThan(0);
  });

  it('groups what is ticked with the piece in hand', async () => {
    const bench = await openBench(HardscapeBench, stones());
    const select = bench.host.querySelectorAll<HTMLSelectElement>('.adders select')[1]!;
    select.value = 'a';
    select.dispatchEvent(new Event('change'));
    await bench.refresh();
    bench.host.querySelector<HTMLInputElement>('.checks input')!.click();
    await bench.refresh();
    await bench.press('Group');
    expect(item(bench.design(), 'a').groupId).toBe(item(bench.design(), 'b').groupId);
    expect(item(bench.design(), 'a').groupId).not.toBeNull();
    await bench.press('Ungroup');
    expect(item(bench.design(), 'a').groupId).toBeNull();
  });

  it('says what to do where there is no vessel, and touches nothing in a tank that another tab writes', async () => {
    const empty = await openBench(HardscapeBench, tank([], { vessel: null }));
    expect(empty.host.textContent).toContain('Give the vessel its size first');
    await empty.store.close();
    const bench = await openBench(HardscapeBench, stones());
    bench.store.current!.design.setMayWrite(false);
    await bench.refresh();
    const stone = bench.host.querySelector<SVGGElement>('[data-piece=a]')!;
    stone.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await bench.refresh();
    expect(item(bench.design(), 'a').positionMm).toEqual([200, 200, 0]);
  });
});
