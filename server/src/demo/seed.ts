/** Writes the demo shop into an empty database. Dates count back from today, so that what is due is always due. */
import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import {
  METRIC,
  MOST_TWIST_rad_per_m,
  MOVEMENT_MARGIN_m,
  nextDue,
  strictestInterval,
} from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import type { Dependencies } from '../dependencies.ts';
import { calendarDateOf } from '../dependencies.ts';
import type { Models } from '../database/database.ts';
import { hashPassphrase } from '../features/sessions/passphrase.ts';
import { DEMO_PASSPHRASE } from '../features/sessions/session.service.ts';
import { refreshDue } from '../features/vehicles/due.ts';
import { createCircuit } from '../features/vehicles/saveHydraulics.ts';
import { buildCircuit } from './hydraulics.ts';
import { DEMO_CORNERS } from './corners.ts';
import { demoId } from './identity.ts';
import { seedFitting } from './fitting.ts';
import { seedJobs } from './jobs.ts';
import { VEHICLE_PLANS } from './vehicles.ts';

const SHOP = {
  fluidIntervalMonths: 24,
  fluidIntervalDistance_m: 48_000_000,
  slack_m: 0.0125,
  movementMargin_m: MOVEMENT_MARGIN_m,
  mostTwist_rad_per_m: MOST_TWIST_rad_per_m,
  address: 'The Old Slip 4, Skerrow Isle',
  phone: 'Skerrow Isle 214',
  brakeWorkRule:
    'On Skerrow, brakes of a road vehicle are worked on under the eyes of a registered lead, who countersigns. Apprentices open nothing alone.',
};

/** Returns whether anything was written. */
export async function seedIfEmpty(dependencies: Dependencies): Promise<boolean> {
  const { database, clock } = dependencies;
  if ((await database.models.Shop.count()) > 0) return false;
  const passphraseHash = await hashPassphrase(DEMO_PASSPHRASE);
  await database.transaction(async (transaction) => {
    await seed(database.models, transaction, clock(), passphraseHash);
    await seedFitting(database, transaction, clock());
  });
  return true;
}

async function seed(
  models: Models,
  transaction: Transaction,
  now: Date,
  passphraseHash: string,
): Promise<void> {
  const before = (days: number, hour = now.getHours()) =>
    new Date(now.getFullYear(), now.getMonth(), now.getDate() - days, hour);
  const daysAgo = (days: number) => calendarDateOf(before(days));
  await models.Shop.create(
    { id: demoId('shop'), name: 'Skerrow Isle Post Garage', ...SHOP, namesAtSignIn: true, version: 0 },
    { transaction },
  );
  await models.Person.bulkCreate(
    (
      [
        ['ottoline', 'Ottoline Fenn', 'lead'],
        ['brannoc', 'Brannoc Hale', 'technician'],
        ['tamsin', 'Tamsin Orrey', 'apprentice'],
      ] as const
    ).map(([key, name, role]) => ({
      id: demoId(key),
      name,
      role,
      units: METRIC,
      passphraseHash,
      isRetired: false,
      version: 0,
    })),
    { transaction },
  );
  await models.Wrench.bulkCreate(
    (
      [
        ['bench-25', 'Bench 25', 25, 21, 'SIM-25'],
        ['small-10', 'Small 10', 10, 60, null],
        ['wheel-110', 'Wheel 110', 110, 140, null],
      ] as const
    ).map(([key, name, maximum_Nm, days, serial]) => ({
      id: demoId(key),
      name,
      minimum_Nm: null,
      maximum_Nm,
      calibratedOn: daysAgo(days),
      serial,
      isRetired: false,
      version: 0,
    })),
    { transaction },
  );

  const circuits = new Map<string, Circuit>();
  for (const plan of VEHICLE_PLANS) {
    const { key, circuits: plans, ...columns } = plan;
    const vehicleId = demoId(key);
    await models.Vehicle.create({ id: vehicleId, ...columns, version: 0 }, { transaction });
    for (const [position, circuit] of plans
      .map((entry) => ('id' in entry ? entry : buildCircuit(entry)))
      .entries()) {
      const circuitKey = plan.circuits[position]?.key ?? '';
      circuits.set(`${key}/${circuitKey}`, circuit);
      await createCircuit(models, transaction, {
        id: circuit.id,
        vehicleId,
        position,
        hydraulics: hydraulicsOf(circuit),
      });
    }
    const hoses = new Map(
      [...circuits].flatMap(([name, circuit]) =>
        name.startsWith(`${key}/`) ? circuit.hoses.map((hose) => [hose.name, hose.id] as const) : [],
      ),
    );
    for (const [position, corner] of (DEMO_CORNERS[key] ?? []).entries()) {
      await models.Corner.create(
        {
          id: demoId(`${key}/corner ${position}`),
          vehicleId,
          position,
          corner: {
            ...corner,
            hoses: corner.hoses.map((hose) => ({ ...hose, id: hoses.get(hose.name) ?? hose.id })),
          },
          version: 0,
        },
        { transaction },
      );
    }
  }
  await seedServices(models, transaction, daysAgo);
  await seedJobs({ models, transaction, circuits, daysAgo, instantAgo: before });
  for (const { key } of VEHICLE_PLANS) await refreshDue(models, transaction, demoId(key));
}

/** Past services: vehicle, circuit, days ago, kilometres then, batch. */
const SERVICES = [
  ['petrelle', 'front', 705, 33_100, 'SK-2212'],
  ['petrelle', 'rear', 410, 36_800, 'SK-2308'],
  ['wick', 'front', 745, 11_050, 'SK-2211'],
  ['calder', 'front', 320, 58_200, 'SK-2311'],
  ['calder', 'rear', 320, 58_200, 'SK-2311'],
  ['tollan', 'diagonal-1', 715, 52_000, 'SK-2212'],
  ['tollan', 'diagonal-2', 715, 52_000, 'SK-2212'],
  ['brindle', 'front', 130, 8_100, 'SK-2406'],
  ['gannet', 'front', 240, null, 'SK-2403'],
] as const;

async function seedServices(
  models: Models,
  transaction: Transaction,
  daysAgo: (days: number) => string,
): Promise<void> {
  for (const [vehicleKey, circuitKey, days, kilometres, batch] of SERVICES) {
    const plan = VEHICLE_PLANS.find((candidate) => candidate.key === vehicleKey);
    const interval = strictestInterval(
      { intervalMonths: SHOP.fluidIntervalMonths, intervalDistance_m: SHOP.fluidIntervalDistance_m },
      !plan || plan.makerIntervalMonths === null
        ? null
        : { intervalMonths: plan.makerIntervalMonths, intervalDistance_m: plan.makerIntervalDistance_m },
    );
    const servicedOn = daysAgo(days);
    const distance_m = kilometres === null ? null : kilometres * 1000;
    const due = nextDue(servicedOn, distance_m, interval);
    if (!due.ok) throw new Error(due.problem.code);
    await models.FluidService.create(
      {
        id: demoId(`${vehicleKey}/${circuitKey}/service`),
        vehicleId: demoId(vehicleKey),
        circuitId: demoId(`${vehicleKey}/${circuitKey}/circuit`),
        jobId: null,
        servicedOn,
        distance_m,
        grade: 'DOT 4',
        batch,
        bottleOpenedOn: servicedOn,
        quantity_m3: 4e-4,
        oldColour: 'tea',
        oldWaterFraction: 0.02,
        ...interval,
        ...due.value,
        by: 'Ottoline Fenn',
        byId: demoId('ottoline'),
      },
      { transaction },
    );
  }
}
