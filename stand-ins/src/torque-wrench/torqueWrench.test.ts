import { connect } from 'node:net';
import { createInterface } from 'node:readline';
import type { PullSample } from '@zephyrcombe/core';
import { judgePull } from '@zephyrcombe/core';
import fc from 'fast-check';
import { serveLines } from '../instrument/serveLines.ts';
import type { Misbehaviour } from './misbehaviour.ts';
import { MISBEHAVIOURS } from './misbehaviour.ts';
import { permissibleDeviation, torqueWrench } from './torqueWrench.ts';

const plan = (seed: number, ...misbehaviours: Misbehaviour[]) => ({
  seed,
  serial: 'SIM-1',
  minimum_Nm: 5,
  maximum_Nm: 25,
  misbehaviours,
});
const AIM = '{"type":"aim","target_Nm":20}';
const PULL = '{"type":"pull"}';

/** Says the lines to the wrench over a real loopback socket, half closes, and gives back all that was heard. */
async function converse(port: number, ...lines: readonly string[]): Promise<readonly string[]> {
  const socket = connect({ port, host: '127.0.0.1', allowHalfOpen: true });
  const heard: string[] = [];
  socket.end(lines.map((line) => `${line}\n`).join(''));
  for await (const line of createInterface({ input: socket })) {
    heard.push(line);
  }
  return heard;
}

async function served<T>(
  wrench: ReturnType<typeof torqueWrench>,
  use: (port: number) => Promise<T>,
): Promise<T> {
  const { port, stop } = await serveLines(wrench);
  try {
    return await use(port);
  } finally {
    await stop();
  }
}
const talk = (wrench: ReturnType<typeof torqueWrench>, ...lines: readonly string[]) =>
  served(wrench, (port) => converse(port, ...lines));

describe('simulated torque wrench', () => {
  test('says what it is, takes a target and reports the peak of a pull', async () => {
    const heard = (await talk(torqueWrench(plan(7)), AIM, PULL)).map(
      (line) => JSON.parse(line) as Record<string, unknown>,
    );
    const [hello, aimed, ...samples] = heard;
    const peak = samples.pop();
    expect(hello).toMatchObject({
      type: 'hello',
      protocol: 'zephyrcombe-instrument',
      version: 1,
      kind: 'torqueWrench',
      minimum_Nm: 5,
      maximum_Nm: 25,
    });
    expect(aimed).toEqual({ type: 'aimed', target_Nm: 20 });
    expect(peak).toMatchObject({ type: 'peak', sequence: 1 });
    expect(peak?.['peak_Nm']).toBeGreaterThanOrEqual(19.2);
    expect(peak?.['peak_Nm']).toBeLessThanOrEqual(20.8);
    expect(samples.map(({ index }) => index)).toEqual(samples.map((_, index) => index));
    expect(Math.max(...samples.map(({ torque_Nm }) => Number(torque_Nm)))).toBe(peak?.['peak_Nm']);
  });

  test('a seed gives the same peaks again, another seed others', () => {
    const peaks = (seed: number) => {
      const wrench = torqueWrench(plan(seed));
      wrench.answer(AIM);
      return Array.from({ length: 20 }, () => wrench.answer(PULL).lines.at(-1));
    };
    expect(peaks(7)).toEqual(peaks(7));
    expect(peaks(7)).not.toEqual(peaks(8));
  });

  test('every peak lies within the permissible deviation of ISO 6789 (from memory), rounded to what it shows', () => {
    fc.assert(
      fc.property(fc.integer(), fc.double({ min: 5, max: 25, noNaN: true }), (seed, target_Nm) => {
        const wrench = torqueWrench(plan(seed));
        wrench.answer(JSON.stringify({ type: 'aim', target_Nm }));
        const { peak_Nm } = JSON.parse(wrench.answer(PULL).lines.at(-1) ?? '') as { peak_Nm: number };
        expect(Math.abs(peak_Nm - target_Nm)).toBeLessThanOrEqual(
          target_Nm * permissibleDeviation(target_Nm) + 0.0501,
        );
      }),
    );
  });

  test.each([
    ['a target above its range', ['{"type":"aim","target_Nm":40}'], 'outOfRange'],
    ['a pull before it was aimed', [PULL], 'notAimed'],
    ['words it does not know', ['{"type":"explode"}'], 'notUnderstood'],
    ['what is not JSON', ['20 N·m please'], 'notUnderstood'],
    ['a negative target', ['{"type":"aim","target_Nm":-3}'], 'notUnderstood'],
  ])('refuses %s and stays connected', async (_what, lines, reason) => {
    const heard = await talk(torqueWrench(plan(1)), ...lines, AIM);
    expect(JSON.parse(heard[1] ?? '')).toEqual({ type: 'refused', reason });
    expect(JSON.parse(heard[2] ?? '')).toEqual({ type: 'aimed', target_Nm: 20 });
  });

  test('a refused target leaves the one before in force', () => {
    const wrench = torqueWrench(plan(1));
    wrench.answer(AIM);
    wrench.answer('{"type":"aim","target_Nm":40}');
    const { peak_Nm } = JSON.parse(wrench.answer(PULL).lines.at(-1) ?? '') as { peak_Nm: number };
    expect(peak_Nm).toBeLessThan(21);
  });
});

/** What the core makes of a pull, from its lines alone. */
function judged(kind: Misbehaviour, seed = 3) {
  const wrench = torqueWrench(plan(seed, kind));
  wrench.answer(AIM);
  const samples = wrench
    .answer(PULL)
    .lines.slice(0, -1)
    .flatMap((line) => {
      const said = JSON.parse(line) as PullSample & { readonly type: string };
      return said.type === 'sample' ? [said] : [];
    });
  const result = judgePull({ samples, set_Nm: 20 });
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
}

describe('what is seen in its pulls', () => {
  test('a good pull shows nothing, whatever the seed, and turns by its stiffness', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const { findings, turn_rad, peak_Nm } = judged('none', seed);
        expect(findings).toEqual([]);
        // Soft over the first quarter at half the stiffness of 25 N·m/rad; counted from a tenth of the setting.
        const expected_rad = (0.25 * peak_Nm - 2) / 12.5 + (0.75 * peak_Nm) / 25;
        expect(Math.abs(turn_rad - expected_rad)).toBeLessThan(0.06);
      }),
    );
  });
  test.each([
    ['overshoot', ['overshoot']],
    ['secondClick', ['secondPull']],
    ['yields', ['yielding']],
    ['poundFeet', ['unitPoundFeet']],
    ['silent', []],
    ['garbled', []],
  ] as const)('%s shows %p', (kind, findings) => {
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
      expect(judged(kind, seed).findings).toEqual(findings);
    }
  });
});

describe('misbehaving on request', () => {
  const honest = torqueWrench(plan(3));
  honest.answer(AIM);
  const honestLines = honest.answer(PULL).lines;
  const peakLine = honestLines.at(-1) ?? '';
  const { peak_Nm } = JSON.parse(peakLine) as { peak_Nm: number };
  const heardAfter = (kind: Misbehaviour) => talk(torqueWrench(plan(3, kind)), AIM, PULL);

  test('silent: the peak never comes', async () => {
    expect((await heardAfter('silent')).slice(2)).toEqual(honestLines.slice(0, -1));
  });
  test('garbled: the line breaks off and is no JSON', async () => {
    const line = (await heardAfter('garbled')).at(-1) ?? '';
    expect(peakLine.startsWith(line)).toBe(true);
    expect(() => JSON.parse(line) as unknown).toThrow();
  });
  test('twice: the same sequence number comes again', async () => {
    expect((await heardAfter('twice')).slice(-2)).toEqual([peakLine, peakLine]);
  });
  test('hang-up: the connection ends in the middle, and the rest is told to whoever asks for it', async () => {
    const wrench = torqueWrench(plan(3, 'hangUp'));
    await served(wrench, async (port) => {
      const first = (await converse(port, AIM, PULL)).slice(2);
      expect(first).toEqual(honestLines.slice(0, Math.floor(honestLines.length / 2)));
      const [hello, ...rest] = await converse(
        port,
        JSON.stringify({ type: 'again', sequence: 1, from: first.length }),
      );
      expect(JSON.parse(hello ?? '')).toMatchObject({ pulls: 1 });
      expect([...first, ...rest]).toEqual(honestLines);
    });
  });
  test('a pull that never was cannot be told again', () => {
    const [line] = torqueWrench(plan(3)).answer('{"type":"again","sequence":1,"from":0}').lines;
    expect(JSON.parse(line ?? '')).toEqual({ type: 'refused', reason: 'noSuchPull' });
  });
  test('pound-feet: the figure is smaller by the factor 1.3558 (NIST SP 811)', async () => {
    const wrong = JSON.parse((await heardAfter('poundFeet')).at(-1) ?? '') as { peak_Nm: number };
    expect(wrong.peak_Nm).toBeCloseTo(peak_Nm / 1.3558179483, 1);
  });
  test('each is over after its pull: the next pull is honest', () => {
    for (const kind of MISBEHAVIOURS) {
      const wrench = torqueWrench(plan(3, kind));
      wrench.answer(AIM);
      wrench.answer(PULL);
      expect(JSON.parse(wrench.answer(PULL).lines.at(-1) ?? '')).toMatchObject({ type: 'peak', sequence: 2 });
    }
  });
  test('a partner that vanishes in mid-word does not stop it serving the next', async () => {
    await served(torqueWrench(plan(1)), async (port) => {
      const rude = connect(port, '127.0.0.1');
      await new Promise((resolve) => rude.once('data', resolve));
      rude.write('{"type":"ai');
      rude.resetAndDestroy();
      expect(JSON.parse((await converse(port, AIM))[1] ?? '')).toMatchObject({ type: 'aimed' });
    });
  });
});
