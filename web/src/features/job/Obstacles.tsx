/** What stands in the way, and the way out, before the button is pressed: the same that the server would answer. */
import type { Obstacle } from '@zephyrcombe/workshop';
import { obstacleText } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

/** Hoses with the same thing missing are told in one line. */
function together(obstacles: readonly Obstacle[]): readonly Obstacle[] {
  const shown: Obstacle[] = [];
  for (const code of ['notMeasured', 'notSpecified'] as const) {
    const hoses = obstacles.flatMap((one) => (one.code === code ? [one.hose] : []));
    if (hoses.length > 0) shown.push({ code, hose: [...new Set(hoses)].join('; ') });
  }
  return [...shown, ...obstacles.filter(({ code }) => code !== 'notMeasured' && code !== 'notSpecified')];
}

export function Obstacles({ obstacles }: { readonly obstacles: readonly Obstacle[] }) {
  const write = useWriter();
  const texts = together(obstacles).map((obstacle) => obstacleText(obstacle, write));
  // Two joints of one hose say the same.
  const each = texts.filter((text, index) => texts.findIndex(({ what }) => what === text.what) === index);
  if (each.length === 0) return null;
  return (
    <Stack $gap={8}>
      {each.map(({ what, wayOut }) => (
        <Notice key={what} severity="stop" title={what}>
          <p>{wayOut}</p>
        </Notice>
      ))}
    </Stack>
  );
}
