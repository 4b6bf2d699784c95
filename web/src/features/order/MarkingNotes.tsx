/** What a hose for the road has to show, by family of standards: careful words and where to ask; no legal advice. */
import type { Vehicle } from '@zephyrcombe/contract';
import { MARKING_NOTES, MARKING_QUESTION } from '@zephyrcombe/messages';
import { Fine } from '../../design/layout.ts';

export function MarkingNotes({ use }: { readonly use: Vehicle['use'] }) {
  return (
    <>
      <h2>Marking and approval</h2>
      {use === 'competition' ? (
        <p>
          This vehicle is entered for competition only. The rules of its event decide; hose for competition
          does not go back on the road with it.
        </p>
      ) : (
        <dl>
          {MARKING_NOTES.map(({ family, shows, basis }) => (
            <div key={family} style={{ marginBottom: 8 }}>
              <dt>
                <strong>{family}</strong>
              </dt>
              <dd style={{ margin: 0 }}>
                {shows} <Fine as="span">{basis}</Fine>
              </dd>
            </div>
          ))}
        </dl>
      )}
      <p>{MARKING_QUESTION}</p>
    </>
  );
}
