import { STAGES } from '@zephyrcombe/core';
import { jobProgress } from './stages.ts';

describe('job progress', () => {
  const NEW = {
    endsConfirmed: false,
    hoses: 2,
    measuredHoses: 0,
    specifiedHoses: 0,
    lines: 0,
    measuredLines: 0,
    madeLines: 0,
    joints: 3,
    torquedJoints: 0,
    items: 0,
    fittedItems: 0,
    nipples: 2,
    clearNipples: 0,
    finished: false,
  };

  test('a new job starts at Look over', () => {
    expect(jobProgress(NEW)).toEqual({ stages: STAGES, done: [], next: 'look-over' });
  });

  test('a stage is done when all its hoses, joints or nipples are', () => {
    const half = { ...NEW, endsConfirmed: true, measuredHoses: 2, specifiedHoses: 1 };
    expect(jobProgress(half)).toMatchObject({ done: ['look-over', 'measure'], next: 'specify' });
    expect(jobProgress({ ...NEW, hoses: 0, joints: 0, nipples: 0 }).done).toEqual([]);
  });

  test('a finished job stays on its last stage', () => {
    const all = {
      ...NEW,
      endsConfirmed: true,
      measuredHoses: 2,
      specifiedHoses: 2,
      torquedJoints: 3,
      clearNipples: 2,
      finished: true,
    };
    expect(jobProgress(all)).toMatchObject({ next: 'hand-over', done: { length: 6 } });
  });

  test('a hard line is measured by its pattern and specified when it is made', () => {
    const line = { ...NEW, hoses: 0, endsConfirmed: true, lines: 1 };
    expect(jobProgress(line)).toMatchObject({ stages: STAGES, done: ['look-over'], next: 'measure' });
    expect(jobProgress({ ...line, measuredLines: 1 }).next).toBe('specify');
    expect(jobProgress({ ...line, measuredLines: 1, madeLines: 1 }).next).toBe('fit');
    // A hose beside it that nobody has measured keeps the stage open.
    expect(jobProgress({ ...line, hoses: 1, measuredLines: 1 }).next).toBe('measure');
  });

  test('a fluid service has nothing to measure, to specify or to fit', () => {
    const fluid = { ...NEW, hoses: 0, joints: 0 };
    expect(jobProgress(fluid).stages).toEqual(['look-over', 'bleed', 'hand-over']);
    expect(jobProgress({ ...fluid, endsConfirmed: true })).toMatchObject({
      done: ['look-over'],
      next: 'bleed',
    });
    // A hose that was taken out of the job leaves a joint that was tightened.
    expect(jobProgress({ ...fluid, joints: 1, torquedJoints: 1 }).stages).toContain('fit');
    // What was taken off goes on again somewhere, also where nothing else is fitted.
    const off = { ...fluid, items: 2, fittedItems: 1 };
    expect([jobProgress(off).stages.includes('fit'), jobProgress(off).done.includes('fit')]).toEqual([
      true,
      false,
    ]);
    expect(jobProgress({ ...off, fittedItems: 2 }).done).toContain('fit');
  });
});
