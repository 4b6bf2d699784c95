/** The kept route with the hose as it is to be built. */
import { exampleBanjo, PATTERN_CORNERS, sceneOf, suggestBuild } from '@zephyrcombe/core';
import { builtScene } from './builtScene.ts';

const corner = PATTERN_CORNERS.fork;
const scene = sceneOf(corner, corner.hoses[0]?.id ?? '');
if (!scene) throw new Error('no scene');
const ends = { endA: exampleBanjo(20), endB: exampleBanjo(0) };
const { build } = suggestBuild({
  hoseName: 'Front hose',
  bore_m: 0.0032,
  length_m: scene.hose.length_m,
  ...ends,
  boltA_m: 0.01,
  boltB_m: 0.01,
  route: {
    outside_m: scene.hose.outside_m,
    clips: scene.hose.clips,
    stiffeners: [],
    sleeves: [],
    contacts: [],
  },
});
const hose = { ...ends, order_m: null };

test('as it is, it is the kept route', () => {
  const built = builtScene(scene, hose, ends, build);
  expect(built.hose).toEqual({ ...scene.hose, stiffeners: [], sleeves: [] });
});

test('another length, another bend, what is on it: each is in the scene, and only there', () => {
  const built = builtScene(scene, { ...hose, order_m: 0.8, endB: exampleBanjo(45) }, ends, {
    ...build,
    outside_m: 0.009,
    along: [
      ...build.along,
      {
        id: 's',
        kind: 'sheath',
        from_m: 0.3,
        length_m: 0.06,
        outside_m: 0.012,
        clip_m: null,
        note: '',
        because: 'chosen',
      },
    ],
  });
  expect(built.hose).toMatchObject({
    length_m: 0.8,
    outside_m: 0.009,
    start: scene.hose.start,
    sleeves: [{ id: 's', from_m: 0.3, length_m: 0.06, outside_m: 0.012 }],
  });
  expect(built.hose.end.outward).not.toEqual(scene.hose.end.outward);
  expect(built.keepOuts).toBe(scene.keepOuts);
});

test('a clip that was taken off is gone from the route, one that was moved has moved', () => {
  const [clip] = scene.hose.clips;
  const none = builtScene(scene, hose, ends, { ...build, along: [] });
  expect(none.hose.clips).toEqual([]);
  if (!clip) return;
  const along = build.along.map((part) =>
    part.kind === 'clip' ? { ...part, from_m: part.from_m + 0.01 } : part,
  );
  expect(builtScene(scene, hose, ends, { ...build, along }).hose.clips[0]?.at_m).toBeCloseTo(
    clip.at_m + 0.01,
    9,
  );
});

test('while nobody has said what is on it, all that the route holds it with is', () => {
  const { hose: built } = builtScene(scene, { ...hose, order_m: 0.8 }, ends, null);
  expect(built).toEqual({ ...scene.hose, length_m: 0.8 });
});
