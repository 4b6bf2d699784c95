/** Brackets, clips, mount bolts and nipples of a job: noted when they come off, ticked when they are on again. */
import { isTightened } from '@zephyrcombe/contract';
import { REFUSALS } from '@zephyrcombe/messages';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { requireTyped } from '../../http/requireTyped.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import type { JobAction } from './jobAction.ts';

/** As many as anybody takes off for one job. */
const MOST_ITEMS = 60;

export async function saveItem(
  { detail, models, transaction, log, person, now }: JobAction,
  itemId: string,
  { version, done, torque_Nm, typed, ...entry }: ParsedBody<'saveItem'>,
): Promise<void> {
  const current = detail.items.find(({ id }) => id === itemId);
  if (torque_Nm !== null) {
    if (!isTightened(entry.kind)) throw fieldProblem('torque_Nm', 'boltsOnly');
    if (!done) throw fieldProblem('torque_Nm', 'boltIsOff');
    requireTyped(typed, 'torque', torque_Nm, 'torque_Nm');
  }
  // Who put it on, and when, stays while the figure does.
  const before = current?.done?.torque_Nm === torque_Nm ? current.done : null;
  const on = before ?? { by: person.name, byId: person.id, at: now.toISOString(), torque_Nm, typed };
  const row = { ...entry, done: done ? on : null };
  if (current === undefined) {
    if (version !== null) throw new AppProblem('not-found');
    if (detail.items.length >= MOST_ITEMS)
      throw new AppProblem('too-large', { detail: REFUSALS.tooManyItems(MOST_ITEMS) });
    if ((await models.JobItem.count({ where: { id: itemId }, transaction })) > 0)
      throw new AppProblem('id-taken');
    const position = detail.items.length;
    await models.JobItem.create(
      { ...row, id: itemId, jobId: detail.job.id, position, version: 0 },
      { transaction },
    );
  } else {
    // The same one sent twice, because its reply was lost, is one.
    if (version === null) return;
    requireVersion(current, version);
    await models.JobItem.update({ ...row, version: version + 1 }, { where: { id: itemId }, transaction });
  }
  const { name, kind, handling } = entry;
  const figure = torque_Nm === null ? {} : { torque_Nm, typed };
  await log('itemSaved', { itemId, name, item: kind, handling, done, ...figure });
}

export async function removeItem(
  { detail, models, transaction, log }: JobAction,
  itemId: string,
  because: string,
): Promise<void> {
  const current = detail.items.find(({ id }) => id === itemId);
  if (current === undefined) throw new AppProblem('not-found');
  if (current.done !== null)
    throw new AppProblem('in-use', {
      detail: REFUSALS.itemIsOn(current.name),
    });
  await models.JobItem.destroy({ where: { id: itemId }, transaction });
  await log('itemRemoved', { itemId, name: current.name, because });
}
