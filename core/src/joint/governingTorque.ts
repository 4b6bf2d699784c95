/** Several torque figures for one joint, kept apart by the part they are for: the weakest part that is really fitted governs. */
import { demand } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { TorqueRange } from './torque.ts';
import type { TorquePart } from './torquePart.ts';
import type { JointMaterial } from './washers.ts';

/** A torque figure with the bolt it was given for. */
export interface JointTorque extends TorqueRange {
  /** Metal of that bolt; null where nobody has said, or where the joint has none. */
  readonly forBolt: JointMaterial | null;
}

export interface PartTorque extends JointTorque {
  readonly part: TorquePart;
  /** Whether that part is in this joint. */
  readonly isFitted: boolean;
}

export interface Governing {
  readonly governing: PartTorque;
  /** Known, and not to be used here. */
  readonly others: readonly PartTorque[];
}

/**
 * The figure with the lowest upper limit among those whose part is fitted. A figure that nobody gives a source for stands only
 * while there is no other. Common practice, no published source.
 */
export function governingTorque(figures: readonly PartTorque[]): Governing {
  demand(figures.length > 0 ? null : { code: 'notPositive', field: 'figures', value: 0 });
  for (const { minimum_Nm, maximum_Nm } of figures) demand(firstNotPositive({ minimum_Nm, maximum_Nm }));
  const narrowed = (from: readonly PartTorque[], keep: (figure: PartTorque) => boolean) =>
    from.some(keep) ? from.filter(keep) : from;
  const candidates = narrowed(
    narrowed(figures, ({ isFitted }) => isFitted),
    ({ source }) => source !== null,
  );
  const governing = candidates.reduce((weakest, figure) =>
    figure.maximum_Nm < weakest.maximum_Nm ||
    (figure.maximum_Nm === weakest.maximum_Nm && figure.minimum_Nm < weakest.minimum_Nm)
      ? figure
      : weakest,
  );
  return { governing, others: figures.filter((figure) => figure !== governing) };
}

/** A bolt and its metal, null where nobody has said; or a joint that has no bolt. */
export type FittedBolt = { readonly metal: JointMaterial | null } | 'noBolt';

/**
 * M70: the governing figure is the vehicle's for its own parts, and it was given for another bolt than the fitted one, or nobody
 * has said for which; or a reading is over the fitted part's limit and would do for a part that is not there. What the drawing
 * says of the bolt does not count: it follows what is fitted. `reading_Nm` null: nothing has been tightened yet.
 */
export function judgeTorquePart(
  { governing, others }: Governing,
  fitted: FittedBolt,
  reading_Nm: number | null = null,
): readonly Caution[] {
  if (reading_Nm !== null) demand(firstNotPositive({ reading_Nm }));
  const { minimum_Nm, maximum_Nm, part, forBolt } = governing;
  const bolt = fitted === 'noBolt' ? null : fitted.metal;
  const wrong = others.find(
    (other) =>
      reading_Nm !== null &&
      reading_Nm > maximum_Nm &&
      reading_Nm >= other.minimum_Nm &&
      reading_Nm <= other.maximum_Nm,
  );
  if (wrong)
    return [{ id: 'M70', evidence: { part, minimum_Nm, maximum_Nm, usedFor: wrong.part, bolt, forBolt } }];
  const isProved = fitted === 'noBolt' || (bolt !== null && bolt === forBolt);
  return part === 'joint' && governing.source === 'vehicleMaker' && !isProved
    ? [{ id: 'M70', evidence: { part, minimum_Nm, maximum_Nm, usedFor: 'joint', bolt, forBolt } }]
    : [];
}
